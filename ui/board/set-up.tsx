'use client';
import { useState } from 'react';
import { sayError, send } from '@/ui/net/request';
import { Button, Caption, Notice, Stack, TextInput } from '@/ui/system';
import { Door } from './door';

/** The first start of a shop: its owner is made, and goes on to the settings. */
export function SetUp() {
  const [code, setCode] = useState('');
  const [name, setName] = useState('');
  const [id, setId] = useState('');
  const [password, setPassword] = useState('');
  const [problem, setProblem] = useState<string | null>(null);
  const [busy, setBusy] = useState(false);
  const submit = async () => {
    setBusy(true);
    setProblem(null);
    try {
      await send('POST', '/api/setup', { body: { code, name, id, password } });
      location.replace('/shop');
    } catch (error) {
      setProblem(sayError(error));
      setBusy(false);
    }
  };
  return (
    <Door onSubmit={() => void submit()}>
      <h2>Set the shop up</h2>
      <Caption>
        Nobody works here yet. Whoever started Pelvik was shown a code: with it you become the owner, and go
        on to what the shop charges and promises.
      </Caption>
      <Stack>
        <TextInput label="Code" value={code} onChange={setCode} autoComplete="off" maxLength={60} />
        <TextInput label="Your name" value={name} onChange={setName} autoComplete="name" maxLength={120} />
        <TextInput
          label="Name to sign in with"
          description="small letters, as short as you like to type"
          value={id}
          onChange={setId}
          autoComplete="username"
          maxLength={40}
        />
        <TextInput
          label="Password"
          type="password"
          value={password}
          onChange={setPassword}
          autoComplete="new-password"
          maxLength={200}
        />
      </Stack>
      {problem && (
        <Notice $tone="bad" role="alert">
          {problem}
        </Notice>
      )}
      <Button type="submit" $kind="main" isDisabled={busy}>
        Set up, and go to the settings
      </Button>
    </Door>
  );
}
