import { withClient } from '@/server/db';
import { board } from '@/server/jobs';
import { pageUser } from '@/server/page';
import { terms } from '@/server/library';
import { listUnits } from '@/server/units';
import { Board } from '@/ui/board/board';

export const metadata = { title: 'Jobs · Pelvik' };

export default async function BoardPage() {
  const user = await pageUser();
  const { cards, units } = await withClient(async (client) => ({
    cards: await board(client),
    units: (await listUnits(client)).map(({ id, name, layout }) => ({ id, name, layout })),
  }));
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
