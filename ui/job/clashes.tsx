'use client';
import { drawnLater } from '@/ui/system';
import { useClashes } from './provider';

/** Comes with the first clash: most jobs never see one. */
const ClashList = drawnLater(() => import('./clash-list').then((m) => m.ClashList));

export function Clashes() {
  return useClashes().clashes.length > 0 && <ClashList />;
}
