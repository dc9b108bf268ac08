import { inject, Injectable, signal } from '@angular/core';
import { Problems } from './problems';
import { messageOf } from './message';

const ADDRESS = '/service-worker.js';
/** What is done first is not to wait for it: a file opened at once, the first sounds. In milliseconds. */
const AFTER_MS = 5000;

/** How browsers that can install a page offer it. */
type InstallPrompt = Event & { prompt(): Promise<unknown> };

/** The application stored for use without a network, and its new versions, taken when the pianist wants. */
@Injectable({ providedIn: 'root' })
export class Offline {
  private readonly problems = inject(Problems);
  /** A new version is stored and waits. */
  readonly hasNewVersion = signal(false);
  /** The browser would put the application among those of the machine, and waits to be asked. */
  readonly canInstall = signal(false);
  private installing: InstallPrompt | null = null;
  private registration: ServiceWorkerRegistration | null = null;
  private isTaking = false;

  /** Stores the application, a little after it is on the screen; without a service worker it works as it did. */
  begin(): void {
    window.addEventListener('beforeinstallprompt', (event) => {
      // Offered where the songs are, not by the browser over what one does.
      event.preventDefault();
      this.installing = event as InstallPrompt;
      this.canInstall.set(true);
    });
    window.addEventListener('appinstalled', () => this.canInstall.set(false));
    const { serviceWorker } = navigator;
    if (!serviceWorker) return;
    serviceWorker.addEventListener('message', ({ data }) => this.heard(data));
    serviceWorker.addEventListener('controllerchange', () => {
      // Only a version that was asked for is gone over to: the first one takes the page it finds.
      if (this.isTaking) location.reload();
    });
    setTimeout(() => void this.store(serviceWorker), AFTER_MS);
  }

  private async store(container: ServiceWorkerContainer): Promise<void> {
    try {
      this.registration = await container.register(ADDRESS, { updateViaCache: 'none' });
      this.watch(this.registration);
      const { active } = await container.ready;
      active?.postMessage('store-sounds');
    } catch (error) {
      // The application works with the network as before; who looks for the reason finds it.
      console.warn(`Joined Hands is not stored for use without a network: ${messageOf(error)}.`);
    }
  }

  private watch(registration: ServiceWorkerRegistration): void {
    const look = (): void => {
      // One that waits beside one that is in use is new; the very first is not.
      if (registration.waiting && registration.active) this.hasNewVersion.set(true);
    };
    look();
    registration.addEventListener('updatefound', () => {
      registration.installing?.addEventListener('statechange', look);
    });
  }

  private heard(data: unknown): void {
    if (typeof data !== 'object' || data === null || !('kind' in data) || data.kind !== 'sounds-stored')
      return;
    const { stored, of } = data as { readonly stored?: unknown; readonly of?: unknown };
    if (typeof stored !== 'number' || typeof of !== 'number' || stored >= of || !navigator.onLine) return;
    this.problems.tell(
      `There is room for only ${stored} of ${of} recorded sounds in this browser: without a network the piano sounds as a simple tone. Everything else works.`,
    );
  }

  /** Asks the browser to install the application; it asks once. */
  install(): void {
    this.canInstall.set(false);
    const asked = this.installing?.prompt();
    this.installing = null;
    if (asked) this.problems.guard('The application could not be installed', asked);
  }

  /** Goes over to the new version; what was edited is stored as when the page is left. */
  take(): void {
    const waiting = this.registration?.waiting;
    this.hasNewVersion.set(false);
    if (!waiting) return;
    this.isTaking = true;
    waiting.postMessage('take-new-version');
  }
}
