'use client';
import { useState } from 'react';
import { send, sayError } from '@/ui/net/request';
import { Button, Dialog, Line, Notice, Stack } from '@/ui/system';
import { leaveDevice } from './browser';
import type { Who } from './browser';
import { useSync } from './context';
import { changesWait } from './words';

/** Signs out. What is not sent yet is named first: it stays on this device, locked, until its writer signs in again. */
export function SignOut({ who }: { who: Pick<Who, 'id' | 'name'> }) {
  const { waiting, aside } = useSync();
  const [asking, setAsking] = useState(false);
  const [problem, setProblem] = useState<string | null>(null);
  const unsent = waiting + aside.length;
  const signOut = async () => {
    setProblem(null);
    try {
      await send('DELETE', '/api/session');
    } catch (error) {
      setAsking(true);
      return setProblem(
        `${sayError(error)} Signing out needs the shop’s server: the session would stay open.`,
      );
    }
    await leaveDevice(who.id);
    // A whole new page: nothing of the last person stays in this one's memory.
    location.replace('/signin');
  };
  return (
    <>
      <Button $kind="frame" onPress={() => (unsent ? setAsking(true) : void signOut())}>
        {who.name.split(' ')[0]}: sign out
      </Button>
      <Dialog title="Sign out of this device?" isOpen={asking} onClose={() => setAsking(false)}>
        <Stack>
          {unsent > 0 && (
            <Notice $tone="warn" role="alert">
              {changesWait(unsent, who.name)} They stay locked on this device and are sent when you sign in
              here again. Nobody else can read them.
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
            <Button onPress={() => void signOut()}>Sign out</Button>
          </Line>
        </Stack>
      </Dialog>
    </>
  );
}
