/**
 * What answers at an address about how it is: which instance of the application, whether its database is
 * away, or another program.
 *
 * @param {string} url of the application, without a path
 * @returns {Promise<{ instance: string | undefined, ok: boolean, away: boolean } | undefined>} nothing where nobody answers
 */
export async function healthOf(url) {
  const answer = await fetch(`${url}/api/health`, { signal: AbortSignal.timeout(3000) }).catch(() => undefined);
  if (!answer) return undefined;
  const body = await answer.json().catch(() => undefined);
  const instance = typeof body?.instance === 'string' ? body.instance : undefined;
  return { instance, ok: answer.ok, away: answer.status === 503 && body?.error === 'unavailable' };
}
