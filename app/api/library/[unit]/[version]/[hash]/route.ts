import { unitVersion } from '@/server/address';
import { withClient } from '@/server/db';
import { route } from '@/server/http';
import { libraryOf } from '@/server/library';
import { UserError } from '@/server/problem';
import { shopOf } from '@/server/shop';
import { unitOf } from '@/server/units';

interface Params {
  unit: string;
  version: string;
  hash: string;
}

/** What the pages of a unit's jobs reason with. The address names the content: a browser that has it never asks again. */
export const GET = route<Params>({ may: 'see-units' }, async (_request, { unit: id, version, hash }) => {
  const key = { id, version: unitVersion(version) };
  const { text, address } = await withClient(async (client) =>
    libraryOf(await unitOf(client, key), key.version, await shopOf(client)),
  );
  if (address !== `/api/library/${id}/${version}/${hash}`)
    throw new UserError(404, 'The page is older than the shop’s server.', 'Open it anew.');
  return new Response(text, {
    headers: {
      'content-type': 'application/json; charset=utf-8',
      'cache-control': 'private, max-age=31536000, immutable',
      // Another session on this device asks for itself.
      vary: 'Cookie',
    },
  });
});
