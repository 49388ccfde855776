'use client';
import type { ComponentType } from 'react';
import { useBenchOnceThere } from './provider';
import { StageWaiting } from './waiting';

/**
 * A stage, drawn once there is something to work with: its code and its library come side by side. The server sends a
 * job's record and frame; the stage itself is drawn in the browser, where the outbox knows what is not yet saved. That
 * spares the server the heaviest part of the page, and each stage loads its own code alone.
 */
export function onceReady(Stage: ComponentType): ComponentType {
  return function OnceReady() {
    return useBenchOnceThere() ? <Stage /> : <StageWaiting />;
  };
}
