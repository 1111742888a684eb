const { existsSync, readdirSync, readFileSync } = require('node:fs');

/** Rooms of core, lowest first. A file may use its own room and those before it, never those after. */
const ROOMS = [
  'units',
  'geometry',
  'numerics',
  'mechanics',
  'formula',
  'measure',
  'drawing',
  'stage',
  'stages',
  'plan',
  'evaluate',
  'sheets',
  'calc',
  'testing',
];

const roomsOnlyDown = ROOMS.map((room, at) => ({
  name: `core-${room}-only-down`,
  severity: 'error',
  comment: `core/${room} may use only: ${ROOMS.slice(0, at).join(', ') || 'nothing'}.`,
  from: { path: `^core/src/${room}/`, pathNot: '\\.spec\\.ts$' },
  to: { path: '^core/src/', pathNot: `^core/src/(${ROOMS.slice(0, at + 1).join('|')})/` },
}));

/** The folders of the stages, and which others each says that it stands on: those whose words its nodes may read. */
const STAGES = readdirSync('core/src/stages', { withFileTypes: true })
  .filter((entry) => entry.isDirectory())
  .map(({ name }) => name);
const usesOf = (stage) => {
  const file = `core/src/stages/${stage}/node.ts`;
  const nodes = existsSync(file) ? readFileSync(file, 'utf8') : '';
  return [...nodes.matchAll(/from '\.\.\/([\w-]+)\/words'/g)].map(([, used]) => used);
};
/** What every stage may take from the sheets: the cautions that stand on all of them. */
const COMMON = 'sheets/cautions\\.ts$';

const stagesUse = STAGES.map((stage) => ({
  name: `stage-${stage}-uses`,
  severity: 'error',
  comment: `stages/${stage} may use only itself and what its node.ts names: ${usesOf(stage).join(', ')}.`,
  from: { path: `^core/src/stages/${stage}/`, pathNot: `(\\.spec\\.ts|/stage\\.ts)$` },
  to: {
    path: '^core/src/stages/',
    pathNot: `^core/src/stages/((${[stage, ...usesOf(stage)].join('|')})/|${COMMON})`,
  },
}));

/** What stands on the page of each stage, under the same rule; none of the page’s other rooms knows a stage. */
const screensUse = STAGES.map((stage) => ({
  name: `screen-${stage}-uses`,
  severity: 'error',
  comment: `web stages/${stage} may use only itself and what its stage may read.`,
  from: { path: `^web/src/app/stages/${stage}/`, pathNot: '\\.spec\\.ts$' },
  to: {
    path: '^web/src/app/stages/',
    pathNot: `^web/src/app/stages/(${[stage, ...usesOf(stage)].join('|')})/`,
  },
}));

/** The folders of what stands outside. */
const PORTS = readdirSync('server/src/ports', { withFileTypes: true })
  .filter((entry) => entry.isDirectory())
  .map(({ name }) => name);

const floor = (name, from, to, comment) => ({
  name,
  severity: 'error',
  comment,
  from: { path: `^${from}/src/` },
  to: { path: to },
});

/** @type {import('dependency-cruiser').IConfiguration} */
module.exports = {
  forbidden: [
    ...roomsOnlyDown,
    ...stagesUse,
    ...screensUse,
    {
      name: 'page-names-no-stage',
      severity: 'error',
      comment: 'The page knows the stages by their list alone.',
      from: { path: '^web/src/', pathNot: '(^web/src/app/stages/|\\.spec\\.ts$|/testing/)' },
      to: { path: '^web/src/app/stages/', pathNot: '^web/src/app/stages/index\\.ts$' },
    },
    {
      name: 'only-services-ask',
      severity: 'error',
      comment: 'Components do not call the server: services do.',
      from: { path: '^web/src/', pathNot: '(\\.service|plan-store|\\.spec)\\.ts$' },
      to: { path: '^web/src/app/state/api\\.service\\.ts$' },
    },
    {
      name: 'server-names-no-port',
      severity: 'error',
      comment: 'What stands outside is known by its list alone.',
      from: { path: '^server/src/', pathNot: '(^server/src/ports/|\\.spec\\.ts$)' },
      to: { path: `^server/src/ports/(${PORTS.join('|')})/` },
    },
    {
      name: 'core-names-no-stage',
      severity: 'error',
      comment: 'Rooms above the stages know only their list.',
      from: { path: '^core/src/(plan|evaluate|sheets)/', pathNot: '\\.spec\\.ts$' },
      to: { path: '^core/src/stages/', pathNot: '^core/src/stages/(index|printed)\\.ts$' },
    },
    {
      name: 'stages-know-no-plan',
      severity: 'error',
      comment: 'A stage reads through its node; the plan is put together from the stages.',
      from: { path: '^core/src/(stage|stages)/', pathNot: '\\.spec\\.ts$' },
      to: { path: '^core/src/(plan|evaluate|sheets)/' },
    },
    {
      name: 'core-room-is-listed',
      severity: 'error',
      comment: 'Every folder of core stands in the list of rooms above.',
      from: { path: '^core/src/', pathNot: `^core/src/((${ROOMS.join('|')})/|index\\.ts$)` },
      to: {},
    },
    {
      name: 'core-depends-on-nothing',
      severity: 'error',
      comment: 'The computation has no packages and no input or output.',
      from: { path: '^core/src/', pathNot: '\\.spec\\.ts$|^core/src/testing/' },
      to: { pathNot: '^core/src/' },
    },
    floor('contract-only-on-core', 'contract', '^(server|web|tools|e2e)/', 'An arrow only points down.'),
    floor('server-not-on-web', 'server', '^(web|e2e)/', 'An arrow only points down.'),
    floor('web-not-on-server', 'web', '^(server|e2e|tools)/', 'The page reaches the server over the wire.'),
    {
      name: 'web-core-by-its-name',
      severity: 'error',
      comment: 'Joi stays out of the page: it takes only the wire types of the contract.',
      from: { path: '^web/src/' },
      to: { path: '^contract/src/', pathNot: '^contract/src/wire\\.ts$' },
    },
    {
      name: 'no-circles',
      severity: 'error',
      from: {},
      to: { circular: true, viaOnly: { pathNot: 'index\\.ts$' } },
    },
    {
      name: 'nothing-unresolved',
      severity: 'error',
      from: {},
      to: { couldNotResolve: true, pathNot: '^(node:|@angular|rxjs)' },
    },
  ],
  options: {
    doNotFollow: { path: 'node_modules' },
    exclude: { path: '(^|/)(dist|node_modules/\\.cache)/' },
    tsPreCompilationDeps: true,
    tsConfig: { fileName: 'tsconfig.base.json' },
    enhancedResolveOptions: { exportsFields: ['exports'], conditionNames: ['import', 'types', 'default'] },
  },
};
