import { withClient } from '@/server/db';
import { board } from '@/server/jobs';
import { pageUser } from '@/server/page';
import { allUnits, terms } from '@/server/library';
import { Board } from '@/ui/board/board';

export const metadata = { title: 'Jobs · Pelvik' };

export default async function BoardPage() {
  const user = await pageUser();
  const cards = await withClient((client) => board(client));
  const units = allUnits().map((u) => ({ id: u.id, name: u.name, layout: u.layout }));
  return (
    <Board
      user={user}
      cards={cards}
      units={units}
      shop={terms.name}
      currency={terms.currency}
      today={new Date().toISOString().slice(0, 10)}
    />
  );
}
