'use client';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import styled from 'styled-components';
import { LibraryFrame } from '@/ui/library/frame';
import { send, sayError } from '@/ui/net/request';
import type { Who } from '@/ui/sync/browser';
import { SignOut } from '@/ui/sync/sign-out';
import { SignedIn } from '@/ui/sync/signed-in';
import { Button, Fields, Line, Notice, Page, Section, Stack, TextInput } from '@/ui/system';
import { Moment } from '@/ui/system/moment';

const List = styled.ul`
  li {
    display: grid;
    grid-template-columns: minmax(0, 1fr) auto;
    align-items: center;
    gap: 4px 14px;
    padding: 6px 0;
    border-top: 1px solid var(--rule);
  }
  li:first-child {
    border: 0;
  }
  small {
    display: block;
    font-size: 0.875rem;
    color: var(--ink-soft);
  }
`;

interface Props {
  user: Who & { role: string };
  sessions: { id: string; device: string; createdAt: string; seenAt: string; own: boolean }[];
}

/** A person's own page: where they are signed in, and their password. */
export function AccountPage({ user, sessions }: Props) {
  const router = useRouter();
  const [problem, setProblem] = useState<string | null>(null);
  const end = async (id: string) => {
    setProblem(null);
    try {
      await send('DELETE', `/api/account/sessions/${id}`);
      router.refresh();
    } catch (error) {
      setProblem(sayError(error));
    }
  };
  return (
    <SignedIn who={user}>
      <LibraryFrame title={user.name} aside={user.role} actions={<SignOut who={user} />}>
        <Page>
          <Section
            title="Signed in"
            note="A session ends after four hours in which nobody uses it, and after fourteen in any case."
          >
            {problem && (
              <Notice $tone="bad" role="alert">
                {problem}
              </Notice>
            )}
            <List>
              {sessions.map((s) => (
                <li key={s.id}>
                  <span>
                    {deviceWords(s.device)}
                    {s.own && <b> (this one)</b>}
                    <small>
                      since <Moment at={s.createdAt} />, last used <Moment at={s.seenAt} />
                    </small>
                  </span>
                  {!s.own && (
                    <Button $small onPress={() => void end(s.id)}>
                      End it
                    </Button>
                  )}
                </li>
              ))}
            </List>
          </Section>
          <Section
            title="Password"
            note="At least ten characters; three or four unrelated words are easy to keep and hard to guess."
          >
            <Password />
          </Section>
        </Page>
      </LibraryFrame>
    </SignedIn>
  );
}

function Password() {
  const router = useRouter();
  const [present, setPresent] = useState('');
  const [next, setNext] = useState('');
  const [said, setSaid] = useState<{ tone: 'good' | 'bad'; words: string } | null>(null);
  const change = async () => {
    setSaid(null);
    try {
      const { ended } = await send<{ ended: number }>('PUT', '/api/account/password', {
        body: { present, next },
      });
      setPresent('');
      setNext('');
      const others =
        ended === 1 ? ' One other session was ended.' : ended ? ` ${ended} other sessions were ended.` : '';
      setSaid({ tone: 'good', words: `The password is changed.${others}` });
      router.refresh();
    } catch (error) {
      setSaid({ tone: 'bad', words: sayError(error) });
    }
  };
  return (
    <form
      onSubmit={(event) => {
        event.preventDefault();
        void change();
      }}
    >
      <Stack>
        <Fields $min={220}>
          <TextInput
            label="Present password"
            type="password"
            autoComplete="current-password"
            value={present}
            onChange={setPresent}
            maxLength={200}
          />
          <TextInput
            label="New password"
            type="password"
            autoComplete="new-password"
            value={next}
            onChange={setNext}
            maxLength={200}
          />
        </Fields>
        {said && (
          <Notice $tone={said.tone} role={said.tone === 'bad' ? 'alert' : 'status'}>
            {said.words}
          </Notice>
        )}
        <Line>
          <Button type="submit" $kind="main" isDisabled={!present || !next}>
            Change it
          </Button>
        </Line>
      </Stack>
    </form>
  );
}

const BROWSERS = ['Edg', 'Firefox', 'Chrome', 'Safari'];
const SYSTEMS = ['Android', 'iPhone', 'iPad', 'Windows', 'Mac OS', 'Linux'];

/** What a person recognises of a device: its kind and its browser. */
function deviceWords(agent: string): string {
  const system = SYSTEMS.find((s) => agent.includes(s));
  const browser = BROWSERS.find((b) => agent.includes(b));
  const name = browser === 'Edg' ? 'Edge' : browser;
  if (!system && !name) return 'A device of unknown kind';
  return [name ?? 'A browser', system && `on ${system}`].filter(Boolean).join(' ');
}
