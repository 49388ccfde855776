'use client';
import { useState } from 'react';
import { sayError, send } from '@/ui/net/request';
import { Button, Notice, Stack, TextInput } from '@/ui/system';
import { Door } from './door';

export function SignIn() {
  const [id, setId] = useState('');
  const [password, setPassword] = useState('');
  const [problem, setProblem] = useState<string | null>(null);
  const [busy, setBusy] = useState(false);
  const submit = async () => {
    setBusy(true);
    setProblem(null);
    try {
      await send('POST', '/api/session', { body: { id, password } });
      // A whole new page: nothing of an earlier person stays in this one's memory.
      location.replace('/');
    } catch (error) {
      setProblem(sayError(error));
      setBusy(false);
    }
  };
  return (
    <Door onSubmit={() => void submit()}>
      <h2>Sign in</h2>
      <Stack>
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
      {problem && (
        <Notice $tone="bad" role="alert">
          {problem}
        </Notice>
      )}
      <Button type="submit" $kind="main" isDisabled={busy}>
        Sign in
      </Button>
    </Door>
  );
}
