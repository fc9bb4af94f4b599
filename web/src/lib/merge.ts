// Three-way merging of documents: a change of one side is taken, equal changes of both agree, and different
// changes of both have to be decided.

export type Json = unknown;
type Path = readonly (string | number)[];

export interface Conflict {
  /** Where in the document. */
  path: Path;
  mine: Json;
  theirs: Json;
}

export interface Merged<T> {
  /** With my side where there is a conflict. */
  document: T;
  conflicts: Conflict[];
  /** The changes taken from the other side. */
  taken: Path[];
}

type Fields = Record<string, Json>;

const isFields = (value: Json): value is Fields =>
  typeof value === "object" && value !== null && !Array.isArray(value);

/** Lists whose entries have identities are merged entry by entry; others are one value. */
const isListed = (value: Json): value is (Fields & { id: string })[] =>
  Array.isArray(value) &&
  value.length > 0 &&
  value.every((one) => isFields(one) && typeof one.id === "string");

/** An absent value and null are the same on the wire. */
const plain = (value: Json) => value ?? null;

export function same(a: Json, b: Json): boolean {
  if (plain(a) === plain(b)) return true;
  if (Array.isArray(a) && Array.isArray(b)) {
    return a.length === b.length && a.every((one, n) => same(one, b[n]));
  }
  if (!isFields(a) || !isFields(b)) return false;
  return [...new Set([...Object.keys(a), ...Object.keys(b)])].every((key) => same(a[key], b[key]));
}

export function merge<T>(base: T, mine: T, theirs: T): Merged<T> {
  const conflicts: Conflict[] = [];
  const taken: Path[] = [];
  const either = (path: Path, was: Json, a: Json, b: Json): Json => {
    if (same(a, b) || same(b, was)) return a;
    if (same(a, was)) {
      taken.push(path);
      return b;
    }
    if (isFields(a) && isFields(b)) {
      const before = isFields(was) ? was : {};
      const keys = [...new Set([...Object.keys(a), ...Object.keys(b)])];
      return Object.fromEntries(
        keys.map((key) => [key, either([...path, key], before[key], a[key], b[key])]),
      );
    }
    if (isListed(a) && isListed(b)) return listed(path, isListed(was) ? was : [], a, b);
    conflicts.push({ path, mine: a, theirs: b });
    return a;
  };
  const listed = (
    path: Path,
    was: (Fields & { id: string })[],
    a: (Fields & { id: string })[],
    b: (Fields & { id: string })[],
  ) => {
    const find = (list: (Fields & { id: string })[], id: string) =>
      list.find((one) => one.id === id);
    const ids = [...new Set([...a, ...b].map((one) => one.id))];
    return ids.flatMap((id) => {
      const at = [...path, id];
      const one = either(at, find(was, id), find(a, id), find(b, id));
      // Left out by the one, and not changed by the other.
      return one === undefined ? [] : [one];
    });
  };
  const document = either([], base, mine, theirs) as T;
  return { document, conflicts, taken };
}

/** With something else at a place. */
export function put<T>(document: T, path: Path, value: Json): T {
  const [first, ...rest] = path;
  if (first === undefined) return value as T;
  if (Array.isArray(document)) {
    const known = document.some((one) => isFields(one) && one.id === first);
    if (!known) return (value === undefined ? document : [...document, value]) as T;
    return document.flatMap((one) => {
      if (!isFields(one) || one.id !== first) return [one];
      const next = put(one as Json, rest, value);
      return next === undefined ? [] : [next];
    }) as T;
  }
  const fields: Fields = isFields(document) ? document : {};
  return { ...fields, [first]: put(fields[first], rest, value) } as T;
}
