import { withClient } from '@/server/db';
import { route } from '@/server/http';
import { deviceKey } from '@/server/users';

/** For a page opened with a session that began elsewhere in this browser. */
export const GET = route({ may: 'own-account' }, async (_request, _params, user) =>
  Response.json({ key: await withClient((client) => deviceKey(client, user.id)) }),
);
