'use client';
import type { ReactNode } from 'react';
import { Dialog as AriaDialog, Heading, Modal, ModalOverlay } from 'react-aria-components';
import styled from 'styled-components';

const Shade = styled(ModalOverlay)`
  position: fixed;
  inset: 0;
  display: grid;
  place-items: center;
  background: rgb(10 17 16 / 62%);
  z-index: 10;
`;
const Sheet = styled(Modal)`
  width: min(560px, calc(100vw - 32px));
  max-height: calc(100vh - 32px);
  overflow: auto;
  background: var(--sheet);
  border-top: 6px solid var(--accent);
  padding: 24px;
  [role='dialog'] {
    outline: none;
  }
  h2 {
    font-size: 1.375rem;
    margin-bottom: 14px;
  }
`;

/** A question that has to be answered or put away before going on. */
export function OpenDialog(props: {
  title: string;
  isOpen: boolean;
  onClose: () => void;
  children: ReactNode;
}) {
  return (
    <Shade isOpen={props.isOpen} onOpenChange={(open) => !open && props.onClose()} isDismissable>
      <Sheet>
        <AriaDialog>
          <Heading slot="title">{props.title}</Heading>
          {props.children}
        </AriaDialog>
      </Sheet>
    </Shade>
  );
}
