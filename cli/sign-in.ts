import shop from '@/data/demo/shop.json';

/** Headers of a request as our own pages send it. */
export const OURS = { 'x-pelvik': '1', 'content-type': 'application/json' };

/** Signs a person of the demo shop in and returns the cookie. */
export async function signIn(base: string, id: string): Promise<string> {
  const { password } = shop.people.find((p) => p.id === id)!;
  const answer = await fetch(`${base}/api/session`, {
    method: 'POST',
    headers: OURS,
    body: JSON.stringify({ id, password }),
  });
  return answer.headers.get('set-cookie')!.split(';')[0]!;
}
