import { RateLimiterMemory } from 'rate-limiter-flexible';
import { refused } from '../http/refusal';

/** Time that wrong tries count together, and that somebody is locked out then, s. */
const WINDOW_S = 15 * 60;
/** Wrong tries for one name or device, and from one address. */
const TRIES = 5;
const FROM_ADDRESS = 40;

/** Counts wrong tries, and locks out for a while who has had too many. */
export class Tries {
  private readonly byName = new RateLimiterMemory({
    points: TRIES,
    duration: WINDOW_S,
    blockDuration: WINDOW_S,
  });
  private readonly byAddress = new RateLimiterMemory({
    points: FROM_ADDRESS,
    duration: WINDOW_S,
    blockDuration: WINDOW_S,
  });

  /**
   * Tries something that may be wrong.
   *
   * @param what is tried for: a name, a device
   * @param right gives what it was right for; nothing where it was wrong
   * @throws Refused `tooMany` where somebody is locked out; `login` where it was wrong
   */
  async attempt<T>(what: string, address: string, right: () => Promise<T | undefined>): Promise<T> {
    const name = what.toLowerCase();
    // Counted first, so that many tries at once count as many.
    await this.count(name, address);
    const found = await right();
    if (found === undefined) throw wrong();
    await Promise.all([this.byName.delete(name), this.byAddress.reward(address)]);
    return found;
  }

  private async count(name: string, address: string): Promise<void> {
    try {
      await Promise.all([this.byName.consume(name), this.byAddress.consume(address)]);
    } catch {
      throw refused('tooMany', 'Too many wrong tries. Wait a quarter of an hour, or ask the owner.', [
        {
          field: 'login',
          wrong: 'was wrong too often',
          right: `at most ${TRIES} tries in ${WINDOW_S / 60} minutes`,
        },
      ]);
    }
  }
}

const wrong = () =>
  refused('login', 'That is not right. Nobody was let in.', [
    {
      field: 'login',
      wrong: 'does not fit',
      right: 'the name and password, the PIN or the code as they were given',
    },
  ]);
