export { section, type Section } from './section.ts';
export { drawnTemplate } from './drawnTemplate.ts';
export type { LabelBox } from './labels.ts';
export type { DrawnContact, DrawnFace, DrawnGap, DrawnLength, DrawnPlace, DrawnShaft, SectionLeaf, SectionQuestion } from './question.ts';
