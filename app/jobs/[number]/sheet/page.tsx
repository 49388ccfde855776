'use client';
import { onceReady } from '@/ui/job/ready';
import { StageWaiting } from '@/ui/job/waiting';
import { drawnLater } from '@/ui/system';

export default drawnLater(() => import('@/ui/teardown/paper').then((m) => onceReady(m.Paper)), StageWaiting);
