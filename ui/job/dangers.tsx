'use client';
import { dangersOf } from '@/core/case';
import type { Danger } from '@/core/case';
import { Caution } from '@/ui/system';
import { useRecord } from './provider';

const WORDS: Record<Danger, string> = {
  moves:
    'It moves when it should not: chock the wheels, nobody in front or behind, engine off before going under. It stays off the road.',
  freed:
    'It has freed itself. What stuck on and let go will stick again, at its own time: that it works now clears nothing, and it is no road-worthy vehicle until the reason is found.',
};

/** What can hurt somebody stands above the work on every stage. */
export function Dangers() {
  return dangersOf(useRecord().state).map((danger) => <Caution key={danger}>{WORDS[danger]}</Caution>);
}
