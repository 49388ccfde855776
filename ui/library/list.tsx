'use client';
import { useQuery } from '@tanstack/react-query';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { FileTrigger } from 'react-aria-components';
import styled from 'styled-components';
import type { UnitDefinition, UnitSummary } from '@/core/unit';
import { RequestError, send } from '@/ui/net/request';
import { UnitSection } from '@/ui/section';
import { Button, ButtonLink, Link, Page } from '@/ui/system';
import { LibraryFrame } from './frame';
import { Problems } from './problems';
import type { Failure } from './problems';

const Row = styled.li`
  display: grid;
  grid-template-columns: minmax(0, 440px) minmax(0, 1fr) auto;
  gap: 22px;
  align-items: center;
  padding: 14px 0;
  border-top: 1px solid var(--rule);
  &:first-child {
    border-top: 0;
  }
  figure {
    border: 0;
    padding: 0;
  }
  h2 {
    font-size: 1.25rem;
    a {
      color: inherit;
      text-decoration: none;
    }
  }
  p {
    margin-top: 4px;
  }
  small {
    display: block;
    margin-top: 6px;
    font-size: 0.875rem;
    color: var(--ink-soft);
  }
  @media (max-width: 860px) {
    grid-template-columns: minmax(0, 1fr);
  }
`;
const Space = styled.div`
  min-height: 96px;
`;

/** Every unit family, drawn from its definition. */
export function UnitList({ units, mayEdit }: { units: UnitSummary[]; mayEdit: boolean }) {
  const router = useRouter();
  const [failure, setFailure] = useState<Failure | null>(null);
  const take = async (file: File) => {
    setFailure(null);
    try {
      const made = await send<{ id: string }>('POST', '/api/units', { raw: file });
      router.push(`/units/${made.id}`);
    } catch (error) {
      setFailure(
        error instanceof RequestError
          ? error
          : { message: 'No connection to the shop’s server.', remedy: 'Try again.', problems: [] },
      );
    }
  };
  return (
    <LibraryFrame
      title="Units"
      aside={`${units.length} families`}
      actions={
        mayEdit && (
          <>
            <FileTrigger
              acceptedFileTypes={['application/json', '.json']}
              onSelect={(files) => {
                const file = files?.[0];
                if (file) void take(file);
              }}
            >
              <Button $kind="frame">Import a file</Button>
            </FileTrigger>
            <ButtonLink $kind="main" href="/units/new">
              New unit
            </ButtonLink>
          </>
        )
      }
    >
      {failure && <Problems failure={failure} />}
      <Page style={{ paddingTop: 4 }}>
        <ul>
          {units.map((unit) => (
            <Row key={unit.id}>
              <Drawing unit={unit} />
              <div>
                <h2>
                  <Link href={`/units/${unit.id}`}>{unit.name}</Link>
                </h2>
                <p>{unit.layout}</p>
                <small>
                  {unit.origin === 'shipped' ? 'Ships with Pelvik' : `By ${unit.createdBy}`}, version{' '}
                  {unit.version};{' '}
                  {unit.jobs === 0
                    ? 'no job uses it'
                    : unit.jobs === 1
                      ? 'one job uses it'
                      : `${unit.jobs} jobs use it`}
                </small>
              </div>
              <ButtonLink href={`/units/${unit.id}`}>Open</ButtonLink>
            </Row>
          ))}
        </ul>
      </Page>
    </LibraryFrame>
  );
}

function Drawing({ unit }: { unit: UnitSummary }) {
  const { data } = useQuery({
    queryKey: ['unit', unit.id, unit.version],
    queryFn: () => send<UnitDefinition>('GET', `/api/units/${unit.id}?version=${unit.version}`),
    staleTime: Infinity,
  });
  return <Space>{data && <UnitSection unit={data} marks={{}} small />}</Space>;
}
