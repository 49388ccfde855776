'use client';
import { useState } from 'react';
import { Caption, Stack, TextInput } from '@/ui/system';
import { SignInShell } from './sign-in-shell';

/** The first start of a shop: its owner is made, and goes on to the settings. */
export function SetUp() {
  const [code, setCode] = useState('');
  const [name, setName] = useState('');
  const [id, setId] = useState('');
  const [password, setPassword] = useState('');
  return (
    <SignInShell
      title="Set the shop up"
      action="Set up, and go to the settings"
      to="/api/setup"
      body={{ code, name, id, password }}
      then="/shop"
    >
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
    </SignInShell>
  );
}
