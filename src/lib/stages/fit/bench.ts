/** What the browser does at the bench: it keeps the screen awake, and reads aloud with a voice of this machine. */

/** Keeps the screen awake while it is looked at. @returns what lets it sleep again */
export function keepAwake(): () => void {
  let lock: WakeLockSentinel | null = null;
  let isOver = false;
  const ask = async () => {
    if (isOver || document.visibilityState !== 'visible' || !('wakeLock' in navigator)) return;
    try {
      lock = await navigator.wakeLock.request('screen');
      if (isOver) void lock.release();
    } catch {
      // On low battery it is refused: the screen sleeps as it always does.
    }
  };
  document.addEventListener('visibilitychange', ask);
  void ask();
  return () => {
    isOver = true;
    document.removeEventListener('visibilitychange', ask);
    void lock?.release();
  };
}

/** A voice that needs no network; null where the browser has none. */
const localVoice = (): SpeechSynthesisVoice | null =>
  speechSynthesis
    .getVoices()
    .find(({ localService, lang }) => localService && lang.startsWith('en')) ?? null;

export const canSpeak = (): boolean => 'speechSynthesis' in globalThis && localVoice() !== null;

/** Nothing leaves the machine: without a local voice it says nothing. */
export function speak(words: string): void {
  const voice = localVoice();
  if (voice === null) return;
  speechSynthesis.cancel();
  const said = new SpeechSynthesisUtterance(words);
  said.voice = voice;
  speechSynthesis.speak(said);
}

export const hush = (): void => {
  if ('speechSynthesis' in globalThis) speechSynthesis.cancel();
};
