'use client';
import { useEffect, useState } from 'react';
import { forgetOnceStored, forgetTyping, holdTyping, keptTyping } from './kept';
import { unkept } from './unkept';

/** How long a typist may pause before what stands there is taken. */
const PAUSE = 400;

interface Options {
  /** A name no other field has: under it every keystroke is held in the browser's own storage until it is taken. */
  keep?: string;
  /** Taken when the typist pauses or leaves, else at every keystroke. */
  pause?: boolean;
  /** The value behind the field, as text. */
  value: string;
  /** Gets the text and says whether it could be used; text that could not stays in the field. */
  take: (text: string) => boolean;
}

/** What is being typed into one field and not yet taken. */
class Typing {
  options!: Options;
  private waiting: string | null = null;
  private timer: ReturnType<typeof setTimeout> | undefined;

  constructor(private readonly show: (typed: string | null) => void) {}

  type(text: string): void {
    const { keep, pause } = this.options;
    this.show(text);
    this.waiting = text;
    if (keep) holdTyping(keep, text);
    clearTimeout(this.timer);
    if (pause) this.timer = setTimeout(() => this.settle(), PAUSE);
    else this.settle();
  }

  leave(): void {
    if (this.settle()) this.show(null);
  }

  /** Hands over what waits; false when it could not be used. */
  settle(): boolean {
    clearTimeout(this.timer);
    if (this.waiting === null) return true;
    const text = this.waiting;
    const taken = this.options.take(text);
    // What cannot be used stands in the field but nowhere else: the page must not say "Saved" beside it.
    unkept.mark(this, !taken);
    if (!taken) return false;
    this.waiting = null;
    const { keep, pause } = this.options;
    if (keep && pause) forgetOnceStored(keep, text);
    return true;
  }

  /** Takes up what an earlier visit left. */
  resume(): void {
    const left = this.options.keep ? keptTyping(this.options.keep) : null;
    if (left === null) return;
    this.show(left);
    this.waiting = left;
    this.settle();
  }

  forget(): void {
    if (this.options.keep) forgetTyping(this.options.keep);
  }
}

/** Text as it is typed: nothing is lost to a reload or a crash, and what is shown is the typist's until the field is left. */
export function useTyping(options: Options) {
  const [typed, setTyped] = useState<string | null>(null);
  const [typing] = useState(() => new Typing(setTyped));
  useEffect(() => {
    // A form that was sent empties its fields: what was kept for them has served.
    if (!options.pause && typing.options?.value && options.value === '') typing.forget();
    typing.options = options;
  });
  useEffect(() => {
    typing.resume();
    // A field that goes while somebody types in it still hands over what stands there.
    return () => {
      typing.settle();
      unkept.mark(typing, false);
    };
  }, [typing, options.keep]);
  return {
    shown: typed ?? options.value,
    type: (text: string) => typing.type(text),
    leave: () => typing.leave(),
    /** Takes what stands there now; false when it could not be used. */
    settle: () => typing.settle(),
  };
}
