import { isChosen, type ShaftTemplate } from '../../stack/index.ts';
import type { DrawnShaft, SectionLeaf } from './question.ts';

/** A ready shaft as it is drawn before anything is known of it: for a choice of arrangement, and for tests. */
export function drawnTemplate(template: ShaftTemplate, leaves: readonly SectionLeaf[] | null = null): DrawnShaft {
  return {
    places: template.places
      .filter(({ faces }) => faces.length > 0)
      .map(({ role, name, kind, material, faces, takes, proportion }) => ({
        id: role,
        name,
        kind,
        material,
        turned: false,
        faces: faces.map((face) => ({ id: face.role, side: face.side, inner: face.inner, outer: face.outer })),
        ...(isChosen({ takes }) ? { leaves, proportion } : {}),
      })),
    lengths: template.lengths.map(({ role, place, name, from, to, proportion }) => ({ id: role, place, name, from, to, proportion, size: null })),
    contacts: template.contacts.map(({ role, a, b, kind, stand }) => ({ id: role, a, b, kind, ...(stand === undefined ? {} : { stand }) })),
    gaps: template.gaps.map(({ name, contacts }, i) => ({
      contact: contacts[0] ?? '',
      letter: String.fromCharCode(65 + i),
      name,
      value: null,
      forecast: false,
    })),
    ends: template.ends,
    bolts: template.places.some(({ role, kind }) => kind === 'fastening' && role.includes('bolts')),
  };
}
