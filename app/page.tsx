import { STAGES } from '@/core/stage';
import type { Stage } from '@/core/stage';
import { usualReady } from '@/core/schedule';
import { board, dueOn } from '@/server/board';
import { withClient } from '@/server/db';
import { pageUser } from '@/server/page';
import { shopNow, shopOf } from '@/server/shop';
import { listUnits } from '@/server/units';
import { Board } from '@/ui/board/board';
import { Queries } from '@/ui/system/query';

export const metadata = { title: 'Jobs · Pelvik' };

export default async function BoardPage() {
  const user = await pageUser();
  const { columns, due, units, terms, now } = await withClient(async (client) => {
    const { terms } = await shopOf(client);
    const now = shopNow(terms);
    const today = now.slice(0, 10);
    return {
      terms,
      now,
      due: await dueOn(client, today),
      columns: await board(client, { today }),
      units: (await listUnits(client)).map(({ id, name, layout }) => ({ id, name, layout })),
    };
  });
  const usual = Object.fromEntries(
    STAGES.map((stage) => [stage, usualReady(terms.calendar, now, stage)]),
  ) as Record<Stage, string>;
  return (
    <Queries>
      <Board
        user={user}
        columns={columns}
        due={due}
        usual={usual}
        units={units}
        shop={terms.name}
        currency={terms.currency}
        today={now.slice(0, 10)}
      />
    </Queries>
  );
}
