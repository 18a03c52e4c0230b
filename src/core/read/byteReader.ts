/** Little-endian reading from a block of bytes. Reading outside it throws RangeError: ask `has` first. */
export class ByteReader {
  private readonly view: DataView;

  constructor(readonly bytes: Uint8Array) {
    this.view = new DataView(bytes.buffer, bytes.byteOffset, bytes.byteLength);
  }

  get length(): number {
    return this.bytes.length;
  }

  has(offset: number, length: number): boolean {
    return offset >= 0 && offset + length <= this.bytes.length;
  }

  u8(offset: number): number {
    return this.view.getUint8(offset);
  }

  u16(offset: number): number {
    return this.view.getUint16(offset, true);
  }

  u32(offset: number): number {
    return this.view.getUint32(offset, true);
  }
}
