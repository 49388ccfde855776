'use client';
import dynamic from 'next/dynamic';
import { useState } from 'react';
import type { ReactNode } from 'react';

/** What a dialog needs is not small, and most pages open none: it comes with the first one. */
const OpenDialog = dynamic(() => import('./modal').then((m) => m.OpenDialog), { ssr: false });

/** A question that has to be answered or put away before going on. */
export function Dialog(props: { title: string; isOpen: boolean; onClose: () => void; children: ReactNode }) {
  const [wanted, setWanted] = useState(props.isOpen);
  if (props.isOpen && !wanted) setWanted(true);
  return wanted ? <OpenDialog {...props} /> : null;
}
