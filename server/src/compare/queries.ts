import type { ProjectReading, ProjectReadings, ReadingsQuery } from '@intervex/contract';
import { QUANTITIES, quantityName, quantity } from '@intervex/core';
import type { Db } from '../plans/queries';

/** Ids of a project’s variants in the order they were made; undefined where there is no such project. */
export async function variantIds(db: Db, projectId: string): Promise<readonly string[] | undefined> {
  const { rows } = await db.query<{ id: string | null }>(
    `select v.id from projects p
       left join variants v on v.project_id = p.id and v.removed_at is null
      where p.id = $1 and p.removed_at is null
      order by v.created_at, v.id`,
    [projectId],
  );
  return rows.length === 0 ? undefined : rows.flatMap(({ id }) => (id === null ? [] : [id]));
}

interface ReadingRow {
  found: number;
  all_of: number;
  rows: ProjectReading[] | null;
}

const IDS = QUANTITIES.map((q) => q.id);
const NAMES = IDS.map((id) => quantityName(quantity(id)));
const UNITS = QUANTITIES.map((q) => q.unit);

// Names and walking order are the catalogue’s, so they come in as arrays.
const SELECT_READINGS = `
  with catalogue as (
    select * from unnest($2::text[], $3::text[], $4::text[]) with ordinality as c (id, name, unit, place)
  ), every as (
    select v.id as variant_id, v.name as variant, v.created_at as made, c.id, c.name, c.unit, c.place,
           e.repeat_no, e.repeat, q.reading
      from variants v
      join plan_revisions r on r.variant_id = v.id and r.revision = v.head
     cross join lateral jsonb_each(r.plan -> 'readings') as q (id, reading)
      join catalogue c on c.id = q.id
     cross join lateral jsonb_array_elements(q.reading -> 'repeats') with ordinality as e (repeat, repeat_no)
     where v.project_id = $1 and v.removed_at is null
  ), hits as (
    select * from every
     where not exists (
       select from unnest($5::text[]) as word
        where position(word in lower(concat_ws(' ', name, variant, reading ->> 'instrument', reading ->> 'datum',
                                               repeat ->> 'who', reading ->> 'note'))) = 0)
  ), page as (
    select * from hits order by made, variant_id, place, repeat_no offset $6 limit $7
  )
  select (select count(*)::int from hits) as found,
         (select count(*)::int from every) as all_of,
         (select json_agg(json_build_object(
            'variantId', variant_id, 'variant', variant, 'id', id, 'name', name, 'repeat', repeat_no,
            'value', (repeat ->> 'value')::float8, 'unit', unit, 'instrument', reading ->> 'instrument',
            'datum', coalesce(reading ->> 'datum', ''), 'who', coalesce(repeat ->> 'who', ''),
            'at', coalesce(repeat ->> 'at', ''), 'note', coalesce(reading ->> 'note', ''))
            order by made, variant_id, place, repeat_no) from page) as rows`;

/** Every repeat of every reading of a project in which all words of the search occur, in walking order. */
export async function findReadings(
  db: Db,
  projectId: string,
  { find, from, limit }: ReadingsQuery,
): Promise<ProjectReadings> {
  const words = find.toLowerCase().split(/\s+/).filter(Boolean);
  const { rows } = await db.query<ReadingRow>(SELECT_READINGS, [
    projectId,
    IDS,
    NAMES,
    UNITS,
    words,
    from,
    limit,
  ]);
  const row = rows[0] as ReadingRow;
  return { found: row.found, of: row.all_of, rows: row.rows ?? [] };
}
