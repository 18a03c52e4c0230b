/** Which version of Tenant runs here, whether it can do without a network, and whether a newer one waits. */
import { version } from '$app/environment';

/** So often a window that stays open asks whether there is a newer version. */
const ASK_EVERY_MS = 30 * 60_000;

class Renewal {
  readonly version = version;
  /** Everything is kept that the application can ever load. */
  worksOffline = $state(false);
  /** A newer version is there and waits for the technician's word. */
  isWaiting = $state(false);
  /** Another window took the newer version over: this one goes on with the one it was opened with. */
  isOvertaken = $state(false);
  private registration: ServiceWorkerRegistration | null = null;
  private takingOver = false;

  async watch(): Promise<void> {
    if (!('serviceWorker' in navigator)) return;
    // As long as this window runs, what its version may still load is kept.
    const asLongAsItRuns = () => new Promise<void>(() => undefined);
    void navigator.locks.request(`tenant-runs-${version}`, { mode: 'shared' }, asLongAsItRuns);
    const before = navigator.serviceWorker.controller;
    navigator.serviceWorker.addEventListener('controllerchange', () => {
      if (this.takingOver) location.reload();
      else if (before !== null) this.isOvertaken = true;
    });
    const registration = await navigator.serviceWorker.ready;
    this.registration = registration;
    this.worksOffline = true;
    // Loaded past its worker, as a hard reload does: it would not be there when the network goes.
    if (navigator.serviceWorker.controller === null) registration.active?.postMessage('claim');
    this.look();
    registration.addEventListener('updatefound', () =>
      registration.installing?.addEventListener('statechange', () => this.look()),
    );
    setInterval(() => void registration.update().catch(() => undefined), ASK_EVERY_MS);
  }

  /** Takes the newer version over: this window is loaded anew with it. */
  takeOver(): void {
    this.takingOver = true;
    this.registration?.waiting?.postMessage('takeOver');
  }

  private look(): void {
    this.isWaiting = this.registration?.waiting != null;
  }
}

export const renewal = new Renewal();
