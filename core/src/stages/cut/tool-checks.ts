import { type Check, judgeFact } from '../../stage';
import type { CutMethod } from './choices';
import type { HeldBy } from '../donor/choices';
import type { ShaftRoute } from '../shafts/choices';
import type { SchoolPlan } from './school-stage';
import type { Brief, Skill, Tool } from '../brief/choices';

export interface ToolChecksInput {
  readonly brief: Pick<Brief, 'tools' | 'skills'>;
  readonly choices: {
    readonly method: CutMethod;
    readonly retention: HeldBy;
    readonly retentionTo: HeldBy;
    readonly shaftRoute: ShaftRoute;
  };
  readonly school: SchoolPlan | undefined;
}

const TOOL_WORDS: Readonly<Partial<Record<Tool, string>>> = {
  grinder: 'a grinder or saw',
  welder: 'a welder',
  alignmentBar: 'an alignment bar',
  press: 'a press',
  lathe: 'a lathe',
};
const SKILL_WORDS: Readonly<Partial<Record<Skill, string>>> = {
  structuralWelding: 'structural welding',
  machining: 'machining',
};

/** What the way that is chosen asks for. */
function asked({ choices }: ToolChecksInput): {
  readonly tools: readonly Tool[];
  readonly skills: readonly Skill[];
} {
  const float = choices.retentionTo === 'fullFloat' && choices.retention !== 'fullFloat';
  const press = choices.method === 'newTubes';
  return {
    tools: [
      'grinder',
      'welder',
      'alignmentBar',
      ...(press ? (['press'] as const) : []),
      ...(float ? (['lathe'] as const) : []),
    ],
    skills: [
      'structuralWelding',
      ...(choices.shaftRoute === 'shorten' || float ? (['machining'] as const) : []),
    ],
  };
}

/** Tools and skills that the chosen way asks for and that are not at hand. Nothing said of them is not known. */
export function toolChecks(input: ToolChecksInput): Check[] {
  const { school, brief } = input;
  const work = school && (school.work.left !== 'leave' || school.work.right !== 'leave');
  if (!work && input.choices.method !== 'newTubes') return [];
  const { tools, skills } = asked(input);
  return [
    handCheck(
      'tools',
      'Tools',
      tools.filter((t) => !brief.tools.includes(t)).map((t) => TOOL_WORDS[t] ?? t),
      brief.tools,
    ),
    handCheck(
      'skills',
      'Skills',
      skills.filter((s) => !brief.skills.includes(s)).map((s) => SKILL_WORDS[s] ?? s),
      brief.skills,
    ),
  ];
}

function handCheck(
  id: 'tools' | 'skills',
  name: string,
  missing: readonly string[],
  said: readonly string[],
): Check {
  const none = said.length === 0;
  return judgeFact({
    id: `cut.${id}`,
    stage: 'cut',
    rests: { [`brief.${id}`]: none ? undefined : said },
    fault:
      none || missing.length === 0
        ? undefined
        : {
            level: 'caution',
            title: `Not at hand for this way: ${missing.join(', ')}`,
            todo: 'Borrow it, have it done by a qualified shop, or choose a way that does without; then say so here with the reason.',
          },
    holds: `${name} for this way are at hand`,
    unknown: `${name} at hand for this way: not known`,
    reason: 'A housing that is cut and cannot be welded straight stands on stands. Its welds are structural.',
    at: `brief.${id}`,
    lacks: [`brief.${id}`],
  });
}
