/**
 * What each role may do, route by route: the only list of it, and no route can be opened that is not in it.
 *
 * - `owner`: everything
 * - `builder`: everything but people, sharing, what was removed, backups
 * - `helper`: looks at everything, and writes what is read and done at the bench (`bench`)
 * - `guest`: looks at one variant (`variant`), and at the photos of its plan (`photo`)
 */
export const ROLES = ['owner', 'builder', 'helper', 'guest'] as const;
export type Role = (typeof ROLES)[number];

/** May he: yes; only the bench’s parts of a plan; only the variant, or a photo of the variant, he was let in for. */
export type Cell = boolean | 'bench' | 'variant' | 'photo';
export type Row = Readonly<Record<Role, Cell>> | 'anyone';

const row = (builder: Cell, helper: Cell, guest: Cell): Row => ({ owner: true, builder, helper, guest });

/** Owner alone. */
const OWNER = row(false, false, false);
/** Those who plan. */
const PLANS = row(true, false, false);
/** Those who work here. */
const WORKS = row(true, true, false);
/** Those who work here; a helper only what the bench writes. */
const BENCH = row(true, 'bench', false);
/** Whoever may see the variant. */
const LOOKS = row(true, true, 'variant');
/** Whoever is known. */
const KNOWN = row(true, true, true);

export const MATRIX = {
  'GET /health': 'anyone',
  'GET /me': 'anyone',
  'POST /login': 'anyone',
  'POST /pair': 'anyone',
  'POST /guest': 'anyone',
  'POST /logout': KNOWN,

  'GET /projects': WORKS,
  'POST /projects': PLANS,
  'PATCH /projects/:id': PLANS,
  'DELETE /projects/:id': OWNER,
  'GET /projects/:id/variants': WORKS,
  'GET /projects/:id/readings': WORKS,
  'GET /projects/:id/orders': WORKS,

  'POST /variants': PLANS,
  'GET /variants/:id': LOOKS,
  'PATCH /variants/:id': PLANS,
  'DELETE /variants/:id': OWNER,
  'PUT /variants/:id/plan': BENCH,
  'POST /variants/:id/undo': BENCH,
  'POST /variants/:id/redo': BENCH,
  'GET /variants/:id/history': LOOKS,
  'GET /variants/:id/revisions/:revision': LOOKS,
  'POST /variants/:id/restore': PLANS,
  'GET /variants/:id/plan-file': LOOKS,
  'POST /plan-files': PLANS,
  'GET /variants/:id/readings.csv': LOOKS,
  'POST /variants/:id/readings.csv': BENCH,

  'GET /variants/:id/{sheet}.pdf': LOOKS,
  'GET /variants/:id/{sheet}.csv': LOOKS,
  'GET /variants/:id/{sheet}.json': LOOKS,
  'GET /variants/:id/survey-sheet.pdf': LOOKS,
  'GET /variants/:id/shapes/:file': LOOKS,
  'POST /drawings': WORKS,

  'GET /photos': OWNER,
  'POST /photos': WORKS,
  'GET /photos/:id': row(true, true, 'photo'),
  'GET /photos/:id/thumb': row(true, true, 'photo'),
  'DELETE /photos/:id': OWNER,

  'GET /live': KNOWN,
  'GET /instruments': WORKS,
  'POST /instruments/:id/zero': WORKS,
  'POST /instruments/:id/hold': WORKS,
  'GET /parts': WORKS,
  'POST /shaft-pairs': WORKS,
  'POST /practice': WORKS,
  'GET /practice/:id': WORKS,
  'POST /practice/:id/trials': WORKS,
  'POST /practice/:id/open': WORKS,
  'POST /practice/:id/what-if': WORKS,

  'POST /variants/:id/orders': PLANS,
  'POST /orders/:id/pay': PLANS,
  'POST /orders/:id/look': PLANS,
  'POST /orders/:id/receive': PLANS,
  'POST /orders/:id/settle': PLANS,

  'GET /removed': OWNER,
  'POST /removed/:id/bring-back': OWNER,

  'GET /data': OWNER,
  'POST /backups': OWNER,
  'GET /backups/:file': OWNER,
  'POST /restore': OWNER,

  'GET /share': OWNER,
  'PUT /share': OWNER,
  'GET /people': OWNER,
  'POST /people': OWNER,
  'PATCH /people/:id': OWNER,
  'DELETE /people/:id': OWNER,
  'POST /people/:id/pair-code': OWNER,
  'POST /people/:id/end-all': OWNER,
  'DELETE /devices/:id': OWNER,
  'GET /sessions': OWNER,
  'DELETE /sessions/:id': OWNER,
  'GET /guests': OWNER,
  'POST /guests': OWNER,
  'DELETE /guests/:id': OWNER,
  'GET /audit': OWNER,
} as const satisfies Readonly<Record<`${'GET' | 'POST' | 'PUT' | 'PATCH' | 'DELETE'} /${string}`, Row>>;

/** What may be listened to over one stream, kind by kind. */
export const LISTENS = { variant: LOOKS, instrument: WORKS } as const satisfies Readonly<Record<string, Row>>;

export type RouteKey = keyof typeof MATRIX;
