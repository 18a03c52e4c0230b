/** How the windows of this browser tell each other what they have open and what they saved. */

export type WindowMessage =
  | {
      readonly kind: 'opened' | 'alsoOpen' | 'closed';
      readonly jobId: string;
      readonly from: string;
    }
  | {
      readonly kind: 'saved';
      readonly jobId: string;
      readonly revision: number;
      readonly from: string;
    }
  | { readonly kind: 'listChanged'; readonly from: string };

/** This window, among those of this browser. */
export const WINDOW_ID = crypto.randomUUID();

const channel = new BroadcastChannel('tenant');

export type WindowNews = DistributiveOmit<WindowMessage, 'from'>;

export function tellWindows(message: WindowNews): void {
  channel.postMessage({ ...message, from: WINDOW_ID });
}

/** Calls `hear` for every message of another window; returns how to stop. */
export function hearWindows(hear: (message: WindowMessage) => void): () => void {
  const listener = (event: MessageEvent<WindowMessage>) => hear(event.data);
  channel.addEventListener('message', listener);
  return () => channel.removeEventListener('message', listener);
}

type DistributiveOmit<T, Key extends PropertyKey> = T extends unknown ? Omit<T, Key> : never;
