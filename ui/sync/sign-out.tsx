'use client';
import { useState } from 'react';
import { send, sayError } from '@/ui/net/request';
import { Button, Dialog, Line, Notice, Stack } from '@/ui/system';
import { clearDevice } from './browser';
import { useSync } from './context';

/** Signs out and clears the device; what is not sent yet is named first, since it would be lost. */
export function SignOut({ name }: { name: string }) {
  const { waiting, aside } = useSync();
  const [asking, setAsking] = useState(false);
  const [problem, setProblem] = useState<string | null>(null);
  const unsent = waiting + aside.length;
  const leave = async () => {
    setProblem(null);
    try {
      await send('DELETE', '/api/session');
    } catch (error) {
      setAsking(true);
      return setProblem(
        `${sayError(error)} Signing out needs the shop’s server: the session would stay open.`,
      );
    }
    await clearDevice();
    // A whole new page: nothing of the last person stays in this one's memory.
    location.replace('/signin');
  };
  return (
    <>
      <Button $kind="frame" onPress={() => (unsent ? setAsking(true) : void leave())}>
        {name.split(' ')[0]}: sign out
      </Button>
      <Dialog title="Sign out of this device?" isOpen={asking} onClose={() => setAsking(false)}>
        <Stack>
          {unsent > 0 && (
            <Notice $tone="bad" role="alert">
              {unsent === 1 ? 'One change is' : `${unsent} changes are`} only on this device and not sent yet.
              Signing out deletes {unsent === 1 ? 'it' : 'them'}.
            </Notice>
          )}
          {problem && (
            <Notice $tone="bad" role="alert">
              {problem}
            </Notice>
          )}
          <Line>
            <Button $kind="main" onPress={() => setAsking(false)}>
              Stay signed in
            </Button>
            <Button onPress={() => void leave()}>{unsent > 0 ? 'Delete and sign out' : 'Sign out'}</Button>
          </Line>
        </Stack>
      </Dialog>
    </>
  );
}
