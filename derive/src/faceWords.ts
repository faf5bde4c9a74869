import type { PlaceFact } from '@elder-cog/contract';

export interface FaceNamed {
  readonly id: string;
  /** "Casing, seat": its part and which of its faces */
  readonly words: string;
}

/** What a face is called by how it came to be; one that was put in by hand is called by the end it looks to. */
const CALLED = /^(seat|face|back|front|flange|spigot|shoulder|rib|groove|head|thrust|hub|pin)(In|Out)?$/;

/** Every face of some places, each told apart from the others. */
export function facesNamed(places: readonly PlaceFact[], ends: readonly [string, string]): FaceNamed[] {
  const named = places.flatMap(({ name, faces }) =>
    faces.map(({ id, role, side }) => {
      const [, word, at] = CALLED.exec(role.split('.').at(-1) ?? '') ?? [];
      const end = ends[(at === undefined ? side === 'in' : at === 'In') ? 0 : 1];
      return { id, words: `${name}, ${word === undefined ? `${end} side` : at === undefined ? word : `${word}, ${end}`}` };
    }),
  );
  const seen = new Map<string, number>();
  return named.map(({ id, words }) => {
    const n = (seen.get(words) ?? 0) + 1;
    seen.set(words, n);
    return { id, words: n === 1 ? words : `${words} ${n}` };
  });
}
