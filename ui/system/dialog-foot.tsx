'use client';
import { Button } from './button';
import { Line } from './sheet';

/** What a dialog ends with: the one thing it does, and the way out without it. */
export function DialogFoot(props: {
  words: string;
  isDisabled?: boolean;
  onPress: () => void;
  onClose: () => void;
}) {
  return (
    <Line>
      <Button $kind="main" isDisabled={props.isDisabled} onPress={props.onPress}>
        {props.words}
      </Button>
      <Button $kind="quiet" onPress={props.onClose}>
        Cancel
      </Button>
    </Line>
  );
}
