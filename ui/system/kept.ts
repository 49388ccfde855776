/** Words being typed, held in the browser's own storage under a name no other field has, until they are taken. */

/** A full or forbidden storage must not stop anybody from typing. */
export function holdTyping(keep: string, text: string): void {
  try {
    localStorage.setItem(keep, text);
  } catch {
    // The text still stands in the field and is taken at the next pause.
  }
}

/** What an earlier visit left. */
export function keptTyping(keep: string): string | null {
  try {
    return localStorage.getItem(keep);
  } catch {
    return null;
  }
}

/** Drops what was kept under a name: its form has been sent. */
export function forgetTyping(keep: string): void {
  try {
    localStorage.removeItem(keep);
  } catch {
    // Nothing was kept.
  }
}

let stored: () => Promise<unknown> = () => Promise.resolve();

/** Told by whoever stores what fields hand over: a promise for everything handed over so far being stored. */
export function storedBy(ask: () => Promise<unknown>): void {
  stored = ask;
}

/** Drops what was kept under a name once it is stored elsewhere: a reload in between would find it in neither place. */
export function forgetOnceStored(keep: string, text: string): void {
  void stored().then(
    () => {
      if (keptTyping(keep) === text) forgetTyping(keep);
    },
    () => undefined,
  );
}
