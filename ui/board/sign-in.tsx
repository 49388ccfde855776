'use client';
import { useState } from 'react';
import { enterDevice } from '@/ui/sync/browser';
import { useOthersWaiting } from '@/ui/sync/others-waiting';
import { othersWait } from '@/ui/sync/words';
import { Notice, Stack, TextInput } from '@/ui/system';
import { SignInShell } from './sign-in-shell';

interface SignedInAnswer {
  user: { id: string; name: string };
  deviceKey: string;
}

export function SignIn() {
  const [id, setId] = useState('');
  const [password, setPassword] = useState('');
  const left = useOthersWaiting(null);
  return (
    <SignInShell<SignedInAnswer>
      title="Sign in"
      action="Sign in"
      to="/api/session"
      body={{ id, password }}
      before={({ user, deviceKey }) => enterDevice(user, deviceKey)}
      then="/"
    >
      <Stack>
        {left.map((person) => (
          <Notice key={person.id} $tone="warn" data-testid="others-waiting">
            {othersWait(person)}
          </Notice>
        ))}
        <TextInput label="Name" value={id} onChange={setId} autoComplete="username" maxLength={40} />
        <TextInput
          label="Password"
          type="password"
          value={password}
          onChange={setPassword}
          autoComplete="current-password"
          maxLength={200}
        />
      </Stack>
    </SignInShell>
  );
}
