import type { Client } from '../db/pool';
import { refused } from '../http/refusal';

interface Revived {
  readonly what: string;
}

const there = async (client: Client, schema: string): Promise<boolean> => {
  const { rows } = await client.query<{ n: number }>(
    `select count(*)::int as n from pg_class
      where relnamespace = to_regnamespace($1) and relname in ('people', 'devices', 'guest_links')`,
    [schema],
  );
  return rows[0]?.n === 3;
};

/**
 * Who may come in again, and by what, once one state takes the place of another: people who were removed, had their rights
 * taken or their password changed, devices that were ended, guest links that were withdrawn.
 *
 * @param here schema that stands now
 * @param incoming schema that takes its place
 */
async function revivedBy(client: Client, here: string, incoming: string): Promise<readonly string[]> {
  if (!(await there(client, here)) || !(await there(client, incoming))) return [];
  const { rows } = await client.query<Revived>(
    `select i.name || ', ' || i.role || case
              when h.removed_at is not null then ', who was removed'
              when h.role <> i.role then ', who is ' || h.role || ' now'
              else ', whose old password works again' end as what
       from ${incoming}.people i join ${here}.people h using (id)
      where i.removed_at is null
        and (h.removed_at is not null or h.role <> i.role or h.password is distinct from i.password)
     union all
     select 'the device ' || i.name || ' of ' || p.name || ', which was ended'
       from ${incoming}.devices i
       join ${incoming}.people p on p.id = i.person_id and p.removed_at is null
       join ${here}.devices h on h.id = i.id
      where i.ended_at is null and h.ended_at is not null
     union all
     select 'the guest link of ' || i.name || ', which was withdrawn'
       from ${incoming}.guest_links i join ${here}.guest_links h using (id)
      where i.withdrawn_at is null and i.ends_at > now() and h.withdrawn_at is not null
     order by 1`,
  );
  return rows.map(({ what }) => what);
}

/** @throws Refused `revives` that names whom a restore lets in again, unless that was said to be meant */
export async function askWhomItRevives(
  client: Client,
  { here, incoming, meant }: { readonly here: string; readonly incoming: string; readonly meant: boolean },
): Promise<void> {
  const revived = meant ? [] : await revivedBy(client, here, incoming);
  if (revived.length === 0) return;
  throw refused(
    'revives',
    `This lets in again: ${revived.join('; ')}. Nothing was changed.`,
    revived.map((who) => ({
      field: 'revives',
      wrong: `would come back: ${who}`,
      right: '“yes” where that is meant',
    })),
  );
}
