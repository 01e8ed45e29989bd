import { createHash, randomBytes, randomUUID, scrypt, timingSafeEqual } from 'node:crypto';
import { promisify } from 'node:util';
import { and, desc, eq, lt, ne, or } from 'drizzle-orm';
import { facts } from '../db/rows.ts';
import type { Ledger } from '../db/ledger.ts';
import { ApiError } from '../errors.ts';
import { devices } from './rows.ts';

/** A device that nothing was heard of for so long is signed out. */
const FORGOTTEN_MS = 90 * 86_400_000;
/** That a device was seen is written down no more often than this. */
const SEEN_EVERY_MS = 60_000;

const derive = promisify<string, Buffer, number, Buffer>(scrypt);
const hashOf = (secret: string): string => createHash('sha256').update(secret).digest('hex');

/** A device that is signed in, without its secret. */
export type Device = Pick<typeof devices.$inferSelect, 'id' | 'words' | 'signedInAt' | 'seenAt'>;

/** The salt of this database, made once. */
async function saltOf(ledger: Ledger): Promise<Buffer> {
  const [kept] = await ledger.db.select().from(facts).where(eq(facts.key, 'salt'));
  if (kept) return Buffer.from(kept.value, 'hex');
  const salt = randomBytes(16);
  await ledger.write([ledger.db.insert(facts).values({ key: 'salt', value: salt.toString('hex') })]);
  return salt;
}

/**
 * Devices that have shown that they know the phrase. The phrase itself is kept nowhere: what is told apart is its scrypt hash, and of the
 * secret each device carries only a hash is kept.
 */
export class Devices {
  private readonly ledger: Ledger;
  private readonly salt: Buffer;
  private readonly mark: Buffer;
  private readonly now: () => number;

  private constructor(ledger: Ledger, salt: Buffer, mark: Buffer, now: () => number) {
    this.ledger = ledger;
    this.salt = salt;
    this.mark = mark;
    this.now = now;
  }

  /** Reads the phrase; devices that signed in with another one, or were not seen for 90 days, are signed out. */
  static async open(ledger: Ledger, phrase: string, now: () => number = Date.now): Promise<Devices> {
    const salt = await saltOf(ledger);
    const mark = await derive(phrase, salt, 32);
    await ledger.write([
      ledger.db
        .delete(devices)
        .where(or(ne(devices.phraseMark, mark.toString('hex')), lt(devices.seenAt, now() - FORGOTTEN_MS))),
    ]);
    return new Devices(ledger, salt, mark, now);
  }

  /** @param words what the device says it is @returns the secret it carries from now on @throws ApiError `wrong-phrase` */
  async signIn(phrase: string, words: string): Promise<string> {
    if (!timingSafeEqual(await derive(phrase, this.salt, 32), this.mark)) throw new ApiError('wrong-phrase');
    const secret = randomBytes(32).toString('base64url');
    const at = this.now();
    await this.ledger.write([
      this.ledger.db.insert(devices).values({
        id: randomUUID(),
        secretHash: hashOf(secret),
        phraseMark: this.mark.toString('hex'),
        words: words.slice(0, 200),
        signedInAt: at,
        seenAt: at,
      }),
    ]);
    return secret;
  }

  /** The device a secret is of, or null. */
  async of(secret: string | undefined): Promise<Device | null> {
    if (secret === undefined || secret.length > 100) return null;
    const [found] = await this.ledger.db
      .select()
      .from(devices)
      .where(and(eq(devices.secretHash, hashOf(secret)), eq(devices.phraseMark, this.mark.toString('hex'))));
    if (!found || this.now() - found.seenAt > FORGOTTEN_MS) return null;
    const { id, words, signedInAt, seenAt } = found;
    if (Math.abs(this.now() - seenAt) > SEEN_EVERY_MS)
      await this.ledger
        .write([this.ledger.db.update(devices).set({ seenAt: this.now() }).where(eq(devices.id, id))])
        .catch(() => undefined);
    return { id, words, signedInAt, seenAt };
  }

  list(): Promise<Device[]> {
    const { id, words, signedInAt, seenAt } = devices;
    return this.ledger.db.select({ id, words, signedInAt, seenAt }).from(devices).orderBy(desc(seenAt));
  }

  /** Signs a device out; nothing happens where there is none. */
  async remove(id: string): Promise<void> {
    await this.ledger.write([this.ledger.db.delete(devices).where(eq(devices.id, id))]);
  }
}
