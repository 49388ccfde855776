'use client';
import { useState } from 'react';
import { Stack, TextInput } from '@/ui/system';
import { Door } from './door';

export function SignIn() {
  const [id, setId] = useState('');
  const [password, setPassword] = useState('');
  return (
    <Door title="Sign in" action="Sign in" to="/api/session" body={{ id, password }} then="/">
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
    </Door>
  );
}
