import { redirect } from 'next/navigation';
import { withClient } from './db';
import { currentUser } from './http';
import { jobStartOf } from './job-start';
import { may } from './permissions';
import { shopOf } from './shop';
import { unitOf, unitVersions } from './units';
import type { SignedIn } from './sessions';

/** The signed-in user of a page; others are sent to sign in. */
export async function pageUser(): Promise<SignedIn> {
  const user = await currentUser();
  if (!user) redirect('/signin');
  return user;
}

/** Everything a job's pages start from; null when there is no such job. */
export async function jobStart(number: string) {
  const user = await pageUser();
  return withClient((client) => jobStartOf(client, user, number));
}

/** Everything a unit's pages start from, in the newest version or the one asked for; null when there is none. */
export async function unitStart(id: string, version: string | undefined) {
  const user = await pageUser();
  return withClient(async (client) => {
    const versions = await unitVersions(client, id.slice(0, 60));
    const shown = version ? versions.find((v) => String(v.version) === version) : versions[0];
    if (!shown) return null;
    const unit = await unitOf(client, shown);
    const { terms } = await shopOf(client);
    return {
      user,
      mayEdit: may(user, 'edit-units'),
      unit,
      version: shown.version,
      versions,
      currency: terms.currency,
    };
  });
}
