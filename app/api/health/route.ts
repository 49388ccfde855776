import { open } from '@/server/http';

/** Answers while the process lives, whatever becomes of its database: for whoever starts it again when it does not. */
export const GET = open(async () => Response.json({ ok: true }));
