import { error, redirect } from '@sveltejs/kit';
import { toDataURL } from 'qrcode';
import { invitationOf } from '$lib/server/access/people';
import { newSecondFactor, secondFactorUri } from '$lib/server/access/second-factor';
import { database } from '$lib/server/db/database';

/** What a link is for; for an owner, a second factor to take along. */
export const load = async ({ params, locals }) => {
  if (locals.openHouse) redirect(303, '/');
  const invitation = await invitationOf(database(), params.token);
  if (!invitation) error(404, 'The link was used or is too old. Ask an owner for another');
  const { role, name } = invitation;
  if (role !== 'owner') return { token: params.token, role, name, secret: '', picture: '' };
  const secret = newSecondFactor();
  return {
    token: params.token,
    role,
    name,
    secret,
    picture: await toDataURL(secondFactorUri(secret, name ?? 'owner'), { margin: 2, width: 208 })
  };
};
