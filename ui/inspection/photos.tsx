'use client';
import { Camera } from 'lucide-react';
import { useEffect, useState } from 'react';
import { FileTrigger } from 'react-aria-components';
import styled from 'styled-components';
import { useBench, useSlots } from '@/ui/job/provider';
import { ObjectText } from '@/ui/job/fields';
import { useEngine } from '@/ui/sync/context';
import { Button, Line } from '@/ui/system';

/** A photo with its caption beside it, where that has room. */
const Shots = styled.ul`
  display: grid;
  gap: 8px;
  li {
    display: grid;
    grid-template-columns: minmax(96px, 118px) minmax(110px, 1fr);
    gap: 0 10px;
    align-items: start;
  }
`;
const Picture = styled.button`
  position: relative;
  display: block;
  width: 100%;
  padding: 0;
  border: 1px solid var(--rule-strong);
  background: var(--inset);
  cursor: crosshair;
  img {
    display: block;
    width: 100%;
    min-height: 74px;
  }
  svg {
    position: absolute;
    width: 30px;
    height: 30px;
    margin: -15px 0 0 -15px;
    pointer-events: none;
  }
`;

/** The pictures of a finding or of its subject: taken or chosen, marked where the finding is, with a caption. */
export function PhotosOf({ about, name }: { about: string; name: string }) {
  const { write, addPhoto, user } = useBench();
  const [local, setLocal] = useState<Record<string, string>>({});
  const mine = useSlots('photo.').filter(([, p]) => p.about === about || p.about.startsWith(`${about}.`));
  const take = (files: FileList | null) => {
    for (const file of files ?? []) {
      const id = crypto.randomUUID();
      setLocal((now) => ({ ...now, [id]: URL.createObjectURL(file) }));
      // The picture goes first: an entry that names it follows in the same outbox.
      addPhoto(id, file);
      write(`photo.${id}`, { about });
    }
  };
  if (user.role === 'counter') return null;
  return (
    <div>
      {mine.length > 0 && (
        <Shots>
          {mine.map(([id, photo]) => (
            <li key={id}>
              <Picture
                type="button"
                aria-label={`Mark the place on the photo of ${name}`}
                onClick={(event) => {
                  const box = event.currentTarget.getBoundingClientRect();
                  const share = (v: number, size: number) =>
                    Math.round(Math.min(1, Math.max(0, v / size)) * 1000) / 1000;
                  write(`photo.${id}`, {
                    ...photo,
                    marker: {
                      x: share(event.clientX - box.left, box.width),
                      y: share(event.clientY - box.top, box.height),
                    },
                  });
                }}
              >
                <Shot id={id} taken={local[id]} alt={photo.caption || `Photo of ${name}`} />
                {photo.marker && <Marker x={photo.marker.x} y={photo.marker.y} />}
              </Picture>
              <div>
                <ObjectText slot={`photo.${id}`} field="caption" label="Caption" maxLength={300} />
                <Button $kind="quiet" $small onPress={() => write(`photo.${id}`, null)}>
                  Remove photo
                </Button>
              </div>
            </li>
          ))}
        </Shots>
      )}
      <Line>
        <FileTrigger
          acceptedFileTypes={['image/*']}
          allowsMultiple
          defaultCamera="environment"
          onSelect={take}
        >
          <Button $kind="quiet" aria-label={`Photo of ${name}`}>
            <Camera size={20} aria-hidden /> {mine.length ? 'Another photo' : 'Photo'}
          </Button>
        </FileTrigger>
      </Line>
    </div>
  );
}

/** A photo: the one just taken, one that still waits on this device, or the server's. */
function Shot({ id, taken, alt }: { id: string; taken: string | undefined; alt: string }) {
  const { number } = useBench();
  const engine = useEngine();
  const [waiting, setWaiting] = useState<string | null | undefined>(undefined);
  useEffect(() => {
    let made: string | null = null;
    let alive = true;
    void engine?.photo(number, id).then(
      (blob) => {
        if (!alive) return;
        made = blob && URL.createObjectURL(blob);
        setWaiting(made);
      },
      () => alive && setWaiting(null),
    );
    return () => {
      alive = false;
      if (made) URL.revokeObjectURL(made);
    };
  }, [engine, number, id]);
  const source = taken ?? waiting ?? (waiting === null ? `/api/jobs/${number}/photos/${id}` : undefined);
  return <img src={source} alt={alt} />;
}

function Marker({ x, y }: { x: number; y: number }) {
  return (
    <svg viewBox="0 0 30 30" aria-hidden style={{ left: `${x * 100}%`, top: `${y * 100}%` }}>
      <circle cx="15" cy="15" r="11" fill="none" stroke="#fff" strokeWidth="4" />
      <circle cx="15" cy="15" r="11" fill="none" stroke="#1c49b4" strokeWidth="2.2" />
      <path d="M15 0V8M15 22V30M0 15H8M22 15H30" stroke="#1c49b4" strokeWidth="2.2" />
    </svg>
  );
}
