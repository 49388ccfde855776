import { memo } from 'react';
import type { PlateKind } from '@/core/unit';

/** Patterns that tell conditions apart without colour: the worse, the denser. `id` keeps them unique on a page. */
export const FacePatterns = memo(function FacePatterns({ id }: { id: string }) {
  return (
    <defs>
      <pattern id={`${id}-none`} width="8" height="8" patternUnits="userSpaceOnUse">
        <rect width="8" height="8" fill="var(--sheet)" />
        <circle cx="4" cy="4" r="0.9" fill="var(--rule-strong)" />
      </pattern>
      <pattern id={`${id}-1`} width="10" height="10" patternUnits="userSpaceOnUse">
        <rect width="10" height="10" fill="#c9a266" />
        <path d="M0 5H10" stroke="#7c5a2a" strokeWidth="1" />
      </pattern>
      <pattern id={`${id}-2`} width="12" height="12" patternUnits="userSpaceOnUse">
        <rect width="12" height="12" fill="#b98236" />
        <circle cx="4" cy="4" r="2.6" fill="#5c3a12" />
        <circle cx="10" cy="10" r="1.8" fill="#5c3a12" />
      </pattern>
      <pattern
        id={`${id}-3f`}
        width="7"
        height="7"
        patternUnits="userSpaceOnUse"
        patternTransform="rotate(45)"
      >
        <rect width="7" height="7" fill="#4a3320" />
        <rect width="3" height="7" fill="#1a110a" />
      </pattern>
      <pattern
        id={`${id}-3s`}
        width="7"
        height="7"
        patternUnits="userSpaceOnUse"
        patternTransform="rotate(45)"
      >
        <rect width="7" height="7" fill="#54699a" />
        <rect width="3" height="7" fill="#2c3c66" />
      </pattern>
      <pattern id={`${id}-4`} width="9" height="9" patternUnits="userSpaceOnUse">
        <rect width="9" height="9" fill="#3a281a" />
        <path d="M0 0 9 9M9 0 0 9" stroke="#d9c7a8" strokeWidth="1.3" />
      </pattern>
      <pattern id={`${id}-5`} width="6" height="14" patternUnits="userSpaceOnUse">
        <rect width="6" height="14" fill="#d4d8d6" />
        <path d="M1 0V14M4 0V9" stroke="#4a5250" strokeWidth="1.4" />
      </pattern>
      <pattern id={`${id}-6`} width="10" height="6" patternUnits="userSpaceOnUse">
        <rect width="10" height="6" fill="#130d0a" />
        <path d="M0 3H10" stroke="#ff6f57" strokeWidth="2.2" />
      </pattern>
      <pattern id={`${id}-specks`} width="11" height="11" patternUnits="userSpaceOnUse">
        <path d="M2 3l2-2 1 2zM8 8l2-2 1 2zM3 9l1-1 1 1z" fill="#eef3f1" stroke="#1f2624" strokeWidth="0.5" />
      </pattern>
      <pattern id={`${id}-covered`} width="6" height="6" patternUnits="userSpaceOnUse">
        <path d="M0 3l2-3 1 3zM3 6l2-3 1 3z" fill="#eef3f1" stroke="#1f2624" strokeWidth="0.6" />
      </pattern>
      <pattern id={`${id}-x`} width="10" height="10" patternUnits="userSpaceOnUse">
        <rect width="10" height="10" fill="var(--inset)" />
        <path d="M2 10 10 2M0 4 4 0" stroke="var(--rule-strong)" strokeWidth="1" />
      </pattern>
    </defs>
  );
});

/** Fill of a face: by how bad it is, `null` where nobody looked, 'cannot-tell' where it could not be told. */
export function faceFill(severity: number | 'cannot-tell' | null, kind: PlateKind, id: string): string {
  if (severity === null) return `url(#${id}-none)`;
  if (severity === 'cannot-tell') return `url(#${id}-x)`;
  if (severity === 0) return kind === 'friction' ? '#a8825a' : '#cfd6d3';
  if (severity === 3) return `url(#${id}-3${kind === 'friction' ? 'f' : 's'})`;
  return `url(#${id}-${severity})`;
}
