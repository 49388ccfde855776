'use client';
import dynamic from 'next/dynamic';
import { onceReady } from '@/ui/job/ready';
import { StageWaiting } from '@/ui/job/waiting';

export default dynamic(() => import('@/ui/intake/intake').then((m) => onceReady(m.Intake)), {
  ssr: false,
  loading: StageWaiting,
});
