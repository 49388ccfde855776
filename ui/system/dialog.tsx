'use client';
import { useState } from 'react';
import type { ReactNode } from 'react';
import { later, Missed, useLater } from './later';

/** What a dialog needs is not small, and most pages open none: it comes with the first one. */
const modal = later(() => import('./modal'));

/** A question that has to be answered or put away before going on. */
export function Dialog(props: { title: string; isOpen: boolean; onClose: () => void; children: ReactNode }) {
  const [wanted, setWanted] = useState(props.isOpen);
  if (props.isOpen && !wanted) setWanted(true);
  const { piece, problem, retry } = useLater(modal, wanted);
  if (piece) return <piece.OpenDialog {...props} />;
  return problem && props.isOpen ? <Missed retry={retry} /> : null;
}
