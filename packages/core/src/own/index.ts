/** What a club may have of its own, laid over what is built in. */
export const OWN_KINDS = ['drills', 'causes', 'signs', 'ladders', 'links', 'bands', 'levels', 'experience'] as const;
export type OwnKind = (typeof OWN_KINDS)[number];

/**
 * What the club has written itself, by kind and by id. What an entry holds is said where the built-in one is: the
 * domain that knows a kind reads it with {@link own}, and `library/own` checks it at the door.
 */
export type OwnShelves = { readonly [K in OwnKind]?: Readonly<Record<string, unknown>> };

export const NOTHING_OWN: OwnShelves = {};

let source: () => OwnShelves = () => NOTHING_OWN;

/**
 * Says where to find what the club has of its own. A server answers for many clubs, so it is asked each time: the one
 * of the request, of the task of a thread, or of the club that is signed in on this device.
 *
 * @example readOwnFrom(() => shelvesOfThisRequest)
 */
export function readOwnFrom(from: () => OwnShelves): void {
  source = from;
}

/** Everything that the club has of its own. */
export const ownShelves = (): OwnShelves => source();

/** All entries of a kind. */
export const ownOf = <T>(kind: OwnKind): Readonly<Record<string, T>> => (source()[kind] ?? {}) as Record<string, T>;

/**
 * The club's own entry, or nothing where what is built in counts.
 *
 * @example own<{ seen: string }>('signs', 'legs-low')?.seen
 */
export function own<T>(kind: OwnKind, id: string): T | undefined {
  const entries = source()[kind];
  return entries && Object.hasOwn(entries, id) ? (entries[id] as T) : undefined;
}

/** Works something out once for what a club has of its own, and again when that is another. */
export function fromOwn<T extends object>(make: () => T): () => T {
  const made = new WeakMap<OwnShelves, T>();
  return () => {
    const shelves = source();
    const known = made.get(shelves);
    if (known) return known;
    const value = make();
    made.set(shelves, value);
    return value;
  };
}

/** One entry as it is stored and sent. */
interface AnyEntry {
  readonly kind: OwnKind;
  readonly key: string;
  readonly body: unknown;
}

/** Entries as the rest of the core reads them; one without a body says nothing. */
export function shelvesOf(entries: readonly AnyEntry[]): OwnShelves {
  const shelves: Partial<Record<OwnKind, Record<string, unknown>>> = {};
  for (const { kind, key, body } of entries) if (body !== null) (shelves[kind] ??= {})[key] = body;
  return shelves;
}
