import { board } from '@/server/board';
import { withClient } from '@/server/db';
import { pageUser } from '@/server/page';
import { today } from '@/server/reason';
import { shopOf } from '@/server/shop';
import { listUnits } from '@/server/units';
import { Board } from '@/ui/board/board';
import { Queries } from '@/ui/system/query';

export const metadata = { title: 'Jobs · Pelvik' };

export default async function BoardPage() {
  const user = await pageUser();
  const { columns, units, terms } = await withClient(async (client) => ({
    columns: await board(client, { today: today() }),
    units: (await listUnits(client)).map(({ id, name, layout }) => ({ id, name, layout })),
    terms: (await shopOf(client)).terms,
  }));
  return (
    <Queries>
      <Board
        user={user}
        columns={columns}
        units={units}
        shop={terms.name}
        currency={terms.currency}
        today={today()}
      />
    </Queries>
  );
}
