'use client';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import styled from 'styled-components';
import { sayError, send } from '@/ui/net/request';
import {
  Button,
  Choice,
  Dialog,
  DialogFoot,
  FieldLabel,
  Line,
  Notice,
  Section,
  Stack,
  TextInput,
  Wide,
} from '@/ui/system';

export interface Person {
  id: string;
  name: string;
  role: string;
  active: boolean;
  sessions: number;
}

const ROLES = [
  { value: 'technician', label: 'Technician' },
  { value: 'counter', label: 'Counter' },
  { value: 'owner', label: 'Owner' },
] as const;

const Table = styled.table`
  width: 100%;
  border-collapse: collapse;
  td {
    padding: 5px 14px 5px 0;
    border-top: 1px solid var(--rule);
  }
  tr:first-child td {
    border-top: 0;
  }
  small {
    display: block;
    color: var(--ink-soft);
  }
`;

/** Who works here: added, given a role or a new password, let in or out. */
export function People({ people, self }: { people: Person[]; self: string }) {
  const router = useRouter();
  const [asked, setAsked] = useState<Person | 'new' | null>(null);
  const [problem, setProblem] = useState('');
  const change = async (method: string, path: string, body?: unknown) => {
    setProblem('');
    try {
      await send(method, path, body === undefined ? {} : { body });
      router.refresh();
    } catch (error) {
      setProblem(sayError(error));
    }
  };
  return (
    <Section title="People" note="What is changed here counts at once, and ends the person’s sessions.">
      <Stack $gap={10}>
        {problem && (
          <Notice $tone="bad" role="alert">
            {problem}
          </Notice>
        )}
        <Wide>
          <Table>
            <tbody>
              {people.map((p) => (
                <tr key={p.id} data-person={p.id}>
                  <td>
                    <b>{p.name}</b>
                    <small>signs in as {p.id}</small>
                  </td>
                  <td>
                    <Choice
                      label={`Role of ${p.name}`}
                      value={p.role}
                      options={ROLES}
                      onChange={(role) =>
                        role && role !== p.role && change('PATCH', `/api/people/${p.id}`, { role })
                      }
                    />
                  </td>
                  <td>{p.active ? `${p.sessions} signed in` : 'may not sign in'}</td>
                  <td>
                    <Line $gap={4}>
                      <Button $small $kind="quiet" onPress={() => setAsked(p)}>
                        New password
                      </Button>
                      <Button
                        $small
                        $kind="quiet"
                        isDisabled={p.sessions === 0}
                        onPress={() => change('DELETE', `/api/people/${p.id}/sessions`)}
                      >
                        End sessions
                      </Button>
                      {p.id !== self && (
                        <Button
                          $small
                          $kind="quiet"
                          onPress={() => change('PATCH', `/api/people/${p.id}`, { active: !p.active })}
                        >
                          {p.active ? 'Let out' : 'Let in'}
                        </Button>
                      )}
                    </Line>
                  </td>
                </tr>
              ))}
            </tbody>
          </Table>
        </Wide>
        <div>
          <Button $small onPress={() => setAsked('new')}>
            Add a person
          </Button>
        </div>
      </Stack>
      {asked === 'new' && <NewPerson onClose={() => setAsked(null)} />}
      {asked && asked !== 'new' && <NewPassword person={asked} onClose={() => setAsked(null)} />}
    </Section>
  );
}

/** Sends what a dialog asks for; what is wrong is said in it. */
function useSending(onClose: () => void) {
  const router = useRouter();
  const [problem, setProblem] = useState('');
  const run = async (method: string, path: string, body: unknown) => {
    try {
      await send(method, path, { body });
      router.refresh();
      onClose();
    } catch (error) {
      setProblem(sayError(error));
    }
  };
  const said = problem ? (
    <Notice $tone="bad" role="alert">
      {problem}
    </Notice>
  ) : null;
  return { run, said };
}

function NewPerson({ onClose }: { onClose: () => void }) {
  const [id, setId] = useState('');
  const [name, setName] = useState('');
  const [role, setRole] = useState<string>('technician');
  const [password, setPassword] = useState('');
  const { run, said } = useSending(onClose);
  return (
    <Dialog title="Add a person" isOpen onClose={onClose}>
      <Stack $gap={14}>
        <TextInput label="Name" value={name} onChange={setName} maxLength={120} autoComplete="off" />
        <TextInput
          label="Signs in as"
          description="Small letters, digits, points and dashes"
          value={id}
          onChange={(text) => setId(text.trim().toLowerCase())}
          maxLength={40}
          autoComplete="off"
        />
        <div>
          <FieldLabel as="span">Role</FieldLabel>
          <Choice label="Role" value={role} options={ROLES} onChange={(v) => v && setRole(v)} />
        </div>
        <TextInput
          label="First password"
          description="Ten characters at least; three or four unrelated words do well"
          type="password"
          value={password}
          onChange={setPassword}
          maxLength={200}
          autoComplete="new-password"
        />
        {said}
        <DialogFoot
          words="Add"
          isDisabled={!id || !name.trim() || !password}
          onPress={() => run('POST', '/api/people', { id, name: name.trim(), role, password })}
          onClose={onClose}
        />
      </Stack>
    </Dialog>
  );
}

function NewPassword({ person, onClose }: { person: Person; onClose: () => void }) {
  const [password, setPassword] = useState('');
  const { run, said } = useSending(onClose);
  return (
    <Dialog title={`A new password for ${person.name}`} isOpen onClose={onClose}>
      <Stack $gap={14}>
        <TextInput
          label="New password"
          type="password"
          value={password}
          onChange={setPassword}
          maxLength={200}
          autoComplete="new-password"
        />
        {said}
        <DialogFoot
          words="Set it"
          isDisabled={!password}
          onPress={() => run('PATCH', `/api/people/${person.id}`, { password })}
          onClose={onClose}
        />
      </Stack>
    </Dialog>
  );
}
