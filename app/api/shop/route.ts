import { inTransaction } from '@/server/db';
import { readJson, route } from '@/server/http';
import { saveShop } from '@/server/shop';

/** A price book of every unit fits, written out. */
const LIMIT = 4 * 1024 * 1024;

/** Keeps a new version of what the shop charges and promises. */
export const PUT = route({ may: 'edit-shop' }, async (request, _params, user) => {
  const { on, terms } = (await readJson(request, LIMIT, null)) as { on?: unknown; terms?: unknown };
  const shop = await inTransaction((client) => saveShop(client, Number(on), terms, user));
  return Response.json(shop);
});
