/** A fast serial port is a USB port as well, and serves one of the two: both needs take their units from here. */
export const REAR_PORTS = 'rear-ports';
