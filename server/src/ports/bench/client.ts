import { type InstrumentList, type InstrumentView } from '@intervex/contract';
import { readInstrumentLine, readInstrumentList, type ReadLine } from '@intervex/contract/ports/bench';

/** How long the bench may take to answer, ms. */
const ANSWER_MS = 1500;
/** Longest line that is read, characters. */
const LONGEST_LINE = 4096;

const AWAY = 'the bench of instruments does not answer';

/** Which instruments there are; an empty list with the reason where the bench is away. */
export async function listInstruments(url: string | undefined): Promise<InstrumentList> {
  if (!url) return { instruments: [], trouble: 'no bench of instruments is set up' };
  try {
    const response = await fetch(new URL('/devices', url), { signal: AbortSignal.timeout(ANSWER_MS) });
    const instruments = response.ok ? readInstrumentList(await response.json()) : undefined;
    return instruments ? { instruments } : { instruments: [], trouble: 'the bench’s list makes no sense' };
  } catch {
    return { instruments: [], trouble: AWAY };
  }
}

/** Presses zero or hold. @returns false where the bench is away or does not know it */
export async function press(url: string, id: string, key: 'zero' | 'hold', on: boolean): Promise<boolean> {
  const response = await fetch(new URL(`/devices/${id}/${key}`, url), {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify({ on }),
    signal: AbortSignal.timeout(ANSWER_MS),
  }).catch(() => undefined);
  return response?.ok ?? false;
}

/**
 * Lines of one instrument as they come, until its stream ends or breaks.
 *
 * @throws Error with the reason in words where it cannot be heard
 */
export async function* linesOf(
  url: string,
  { id, kind }: InstrumentView,
  signal: AbortSignal,
): AsyncGenerator<ReadLine> {
  const response = await fetch(new URL(`/devices/${id}/stream`, url), { signal }).catch(() => undefined);
  if (!response) throw new Error(AWAY);
  if (!response.ok || !response.body) throw new Error('it is not connected');
  const decoder = new TextDecoder();
  let rest = '';
  for await (const chunk of response.body as unknown as AsyncIterable<Uint8Array>) {
    const lines = (rest + decoder.decode(chunk, { stream: true })).split('\n');
    rest = lines.pop() ?? '';
    if (rest.length > LONGEST_LINE) rest = '';
    for (const line of lines) if (line.trim()) yield readInstrumentLine(line, kind);
  }
}
