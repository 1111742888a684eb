import type { GuestView, PersonView, SessionView } from '@intervex/contract';
import { CHANNEL } from '../db/channel';
import type { Db } from '../plans/queries';

interface Person {
  readonly id: string;
  readonly name: string;
  readonly role: PersonView['role'];
  readonly password: string | null;
}

const PERSON = 'select id, name, role, password from people where removed_at is null';

export async function findPerson(db: Db, by: { id: string } | { name: string }): Promise<Person | undefined> {
  const { rows } =
    'id' in by
      ? await db.query<Person>(`${PERSON} and id = $1`, [by.id])
      : await db.query<Person>(`${PERSON} and lower(name) = lower($1)`, [by.name]);
  return rows[0];
}

/** The owner whose computer this is: the first one. */
export async function firstOwner(db: Db): Promise<Person | undefined> {
  const { rows } = await db.query<Person>(`${PERSON} and role = 'owner' order by created_at, id limit 1`);
  return rows[0];
}

export async function insertPerson(
  db: Db,
  { name, role, password }: { name: string; role: Person['role']; password: string | null },
): Promise<string> {
  const { rows } = await db.query<{ id: string }>(
    'insert into people (name, role, password) values ($1, $2, $3) returning id',
    [name, role, password],
  );
  return (rows[0] as { id: string }).id;
}

export async function changePerson(db: Db, id: string, to: Partial<Omit<Person, 'id'>>): Promise<boolean> {
  const { rowCount } = await db.query(
    `update people set name = coalesce($2, name), role = coalesce($3, role), password = coalesce($4, password)
      where id = $1 and removed_at is null`,
    [id, to.name ?? null, to.role ?? null, to.password ?? null],
  );
  return rowCount === 1;
}

export async function removePerson(db: Db, id: string): Promise<void> {
  await db.query('update people set removed_at = now(), password = null where id = $1', [id]);
  await db.query('update devices set ended_at = now() where person_id = $1 and ended_at is null', [id]);
}

/** How many owners there are, locked until the transaction ends. */
export async function countOwners(db: Db): Promise<number> {
  const { rows } = await db.query(
    "select id from people where role = 'owner' and removed_at is null for update",
  );
  return rows.length;
}

export async function listPeople(db: Db): Promise<readonly PersonView[]> {
  const { rows } = await db.query<Omit<PersonView, 'hasPassword'> & { has: boolean }>(
    `select p.id, p.name, p.role, p.password is not null as has,
            coalesce((select json_agg(json_build_object('id', d.id, 'name', d.name, 'pairedAt', d.paired_at, 'seenAt', d.seen_at)
                                      order by d.paired_at)
                        from devices d where d.person_id = p.id and d.ended_at is null), '[]') as devices
       from people p where p.removed_at is null order by p.created_at, p.id`,
  );
  return rows.map(({ has, ...rest }) => ({ ...rest, hasPassword: has }));
}

export async function insertDevice(
  db: Db,
  d: { person: string; name: string; token: Buffer; pin: string },
): Promise<void> {
  await db.query('insert into devices (person_id, name, token, pin) values ($1, $2, $3, $4)', [
    d.person,
    d.name,
    d.token,
    d.pin,
  ]);
}

export interface Device {
  readonly id: string;
  readonly person: string;
  readonly name: string;
  readonly pin: string;
}

/** A paired device by the hash of its token. */
export async function findDevice(db: Db, token: Buffer): Promise<Device | undefined> {
  const { rows } = await db.query<Device>(
    `select d.id, d.person_id as person, d.name, d.pin from devices d
       join people p on p.id = d.person_id and p.removed_at is null
      where d.token = $1 and d.ended_at is null`,
    [token],
  );
  return rows[0];
}

export async function sawDevice(db: Db, id: string): Promise<void> {
  await db.query('update devices set seen_at = now() where id = $1', [id]);
}

/** Ends a device’s pairing. @returns whose it was */
export async function endDevice(db: Db, id: string): Promise<string | undefined> {
  const { rows } = await db.query<{ person: string }>(
    'update devices set ended_at = now() where id = $1 and ended_at is null returning person_id as person',
    [id],
  );
  return rows[0]?.person;
}

export async function insertCode(db: Db, code: Buffer, person: string, minutes: number): Promise<Date> {
  await db.query('delete from pair_codes where ends_at < now() or person_id = $1', [person]);
  const { rows } = await db.query<{ ends: Date }>(
    `insert into pair_codes (code, person_id, ends_at) values ($1, $2, now() + make_interval(mins => $3))
     returning ends_at as ends`,
    [code, person, minutes],
  );
  return (rows[0] as { ends: Date }).ends;
}

/** Uses a code up. @returns whom it pairs a device with */
export async function useCode(db: Db, code: Buffer): Promise<string | undefined> {
  const { rows } = await db.query<{ person: string }>(
    `delete from pair_codes where code = $1 and ends_at > now() returning person_id as person`,
    [code],
  );
  return rows[0]?.person;
}

const GUEST = `
  select g.id, g.name, g.variant_id as "variantId", p.name || ', ' || v.name as variant, g.made_at as made, g.ends_at as ends,
         case when g.withdrawn_at is not null or v.removed_at is not null or p.removed_at is not null then 'withdrawn'
              when g.ends_at <= now() then 'ended' else 'open' end as state
    from guest_links g join variants v on v.id = g.variant_id join projects p on p.id = v.project_id`;
type GuestRow = Omit<GuestView, 'madeAt' | 'endsAt'> & { made: Date; ends: Date };
const guestOf = ({ made, ends, ...rest }: GuestRow): GuestView => ({
  ...rest,
  madeAt: made.toISOString(),
  endsAt: ends.toISOString(),
});

export async function findGuest(
  db: Db,
  by: { id: string } | { token: Buffer },
): Promise<GuestView | undefined> {
  const { rows } =
    'id' in by
      ? await db.query<GuestRow>(`${GUEST} where g.id = $1`, [by.id])
      : await db.query<GuestRow>(`${GUEST} where g.token = $1`, [by.token]);
  return rows[0] && guestOf(rows[0]);
}

export async function listGuests(db: Db): Promise<readonly GuestView[]> {
  const { rows } = await db.query<GuestRow>(`${GUEST} order by g.made_at desc, g.id limit 200`);
  return rows.map(guestOf);
}

export async function insertGuest(
  db: Db,
  g: { variant: string; name: string; token: Buffer; days: number },
): Promise<string> {
  const { rows } = await db.query<{ id: string }>(
    `insert into guest_links (variant_id, name, token, ends_at)
     values ($1, $2, $3, now() + make_interval(secs => $4::double precision * 86400)) returning id`,
    [g.variant, g.name, g.token, g.days],
  );
  return (rows[0] as { id: string }).id;
}

export async function withdrawGuest(db: Db, id: string): Promise<boolean> {
  const { rowCount } = await db.query(
    'update guest_links set withdrawn_at = now() where id = $1 and withdrawn_at is null',
    [id],
  );
  return rowCount === 1;
}

interface SessionRow {
  id: string;
  who: string | null;
  role: SessionView['role'] | null;
  device: string | null;
  until: Date;
}

/** Sessions are named by a hash: with their own name one could be taken over. */
const SESSION_ID = "encode(sha256(convert_to(s.sid, 'UTF8')), 'hex')";

export async function listSessions(db: Db): Promise<readonly SessionView[]> {
  const { rows } = await db.query<SessionRow>(
    `select ${SESSION_ID} as id, coalesce(p.name, g.name) as who, coalesce(p.role, 'guest') as role,
            s.sess -> 'by' ->> 'device' as device, s.expire as until
       from sessions s
       left join people p on p.id::text = s.sess -> 'by' ->> 'person'
       left join guest_links g on g.id::text = s.sess -> 'by' ->> 'guest'
      where s.expire > now() order by s.expire desc limit 500`,
  );
  return rows.map(({ who, role, device, until, id }) => ({
    id,
    who: who ?? '',
    role: role ?? 'guest',
    device: device ?? '',
    until: until.toISOString(),
  }));
}

/** Ends a session by its hash. @returns under what its owner’s streams are kept */
export async function endSession(db: Db, id: string): Promise<string | undefined> {
  const { rows } = await db.query<{ by: { person?: string; guest?: string } | null }>(
    `delete from sessions s where ${SESSION_ID} = $1 returning s.sess -> 'by' as by`,
    [id],
  );
  const by = rows[0]?.by;
  return rows[0] && (by?.person ? `person:${by.person}` : `guest:${by?.guest ?? ''}`);
}

/** Ends all that somebody has open, in every process. @param of `person:…` or `guest:…` */
export async function endAllOf(db: Db, of: string): Promise<void> {
  const [kind, id] = of.split(':');
  await db.query(`delete from sessions where sess -> 'by' ->> $1 = $2`, [kind, id]);
  await tellEnded(db, of);
}

/** Ends the streams of somebody in every process; who still may comes back by himself. */
export async function tellEnded(db: Db, owner: string): Promise<void> {
  await db.query('select pg_notify($1, $2)', [CHANNEL, JSON.stringify({ kind: 'ended', owner })]);
}

export async function readSetting(db: Db, name: string): Promise<unknown> {
  const { rows } = await db.query<{ value: unknown }>('select value from settings where name = $1', [name]);
  return rows[0]?.value;
}

export async function writeSetting(db: Db, name: string, value: unknown): Promise<void> {
  await db.query(
    'insert into settings (name, value) values ($1, $2) on conflict (name) do update set value = excluded.value',
    [name, JSON.stringify(value)],
  );
}
