/**
 * Who may do what, written down by hand from what each role is for, to hold the server’s own list against it. Owner,
 * builder, helper, guest: `y` may, `n` may not, `b` only what the bench writes, `v` only his variant, `p` only photos of
 * his variant; `open` is for whoever comes.
 */
const TOLD = `
open  GET /health
open  GET /me
open  POST /login
open  POST /pair
open  POST /guest
yyyy  POST /logout

yyyn  GET /projects
yynn  POST /projects
yynn  PATCH /projects/:id
ynnn  DELETE /projects/:id
yyyn  GET /projects/:id/variants
yyyn  GET /projects/:id/readings
yyyn  GET /projects/:id/orders

yynn  POST /variants
yyyv  GET /variants/:id
yynn  PATCH /variants/:id
ynnn  DELETE /variants/:id
yybn  PUT /variants/:id/plan
yybn  POST /variants/:id/undo
yybn  POST /variants/:id/redo
yyyv  GET /variants/:id/history
yyyv  GET /variants/:id/revisions/:revision
yynn  POST /variants/:id/restore
yyyv  GET /variants/:id/plan-file
yynn  POST /plan-files
yyyv  GET /variants/:id/readings.csv
yybn  POST /variants/:id/readings.csv

yyyv  GET /variants/:id/{sheet}.pdf
yyyv  GET /variants/:id/{sheet}.csv
yyyv  GET /variants/:id/{sheet}.json
yyyv  GET /variants/:id/survey-sheet.pdf
yyyv  GET /variants/:id/shapes/:file
yyyn  POST /drawings

ynnn  GET /photos
yyyn  POST /photos
yyyp  GET /photos/:id
yyyp  GET /photos/:id/thumb
ynnn  DELETE /photos/:id

yyyy  GET /live
yyyn  GET /instruments
yyyn  POST /instruments/:id/zero
yyyn  POST /instruments/:id/hold
yyyn  GET /parts
yyyn  POST /shaft-pairs
yyyn  POST /practice
yyyn  GET /practice/:id
yyyn  POST /practice/:id/trials
yyyn  POST /practice/:id/open
yyyn  POST /practice/:id/what-if

yynn  POST /variants/:id/orders
yynn  POST /orders/:id/pay
yynn  POST /orders/:id/look
yynn  POST /orders/:id/receive
yynn  POST /orders/:id/settle

ynnn  GET /removed
ynnn  POST /removed/:id/bring-back
ynnn  GET /data
ynnn  POST /backups
ynnn  GET /backups/:file
ynnn  POST /restore
ynnn  GET /share
ynnn  PUT /share
ynnn  GET /people
ynnn  POST /people
ynnn  PATCH /people/:id
ynnn  DELETE /people/:id
ynnn  POST /people/:id/pair-code
ynnn  POST /people/:id/end-all
ynnn  DELETE /devices/:id
ynnn  GET /sessions
ynnn  DELETE /sessions/:id
ynnn  GET /guests
ynnn  POST /guests
ynnn  DELETE /guests/:id
ynnn  GET /audit
`;

/** What a role may listen to over one stream, by kind. */
export const WHO_MAY_LISTEN: ReadonlyMap<string, string> = new Map([
  ['variant', 'yyyv'],
  ['instrument', 'yyyn'],
]);

/** What a role may, by route; `open` for whoever comes. */
export const WHO_MAY: ReadonlyMap<string, string> = new Map(
  TOLD.split('\n')
    .filter((line) => line.trim() !== '')
    .map((line) => [line.slice(6), line.slice(0, 4)] as const),
);
