import type { EntryField, Understood, Values } from './meaning.ts';
import { understandQuantity, type QuantityField, type QuantityQuestion, type UnderstoodQuantity } from './quantities.ts';
import { understandLength, type EntryQuestion } from './understand.ts';

/**
 * What was typed into any field: understood and said back in both systems, asked about with its meanings, likeliest first, or refused in a
 * sentence. Nothing is silently wrong: where two meanings are plausible it is asked. The entry itself is never changed.
 *
 * @param text what was typed
 * @returns lengths in whole nm; a bare number's unit by how it is written, in this workshop, and by what such a thing can be. Torques in N·m,
 * forces in N, turns in degrees, temperatures in °C; a bare one on the scale that was read last
 * @example understand('.005-.008', { field: 'limits', bare: 'thou' }) // understood, 5 to 8 thou
 */
export function understand<Field extends QuantityField>(text: string, question: QuantityQuestion<Field>): UnderstoodQuantity<Field>;
export function understand<Field extends EntryField>(text: string, question: EntryQuestion<Field>): Understood<Values[Field]>;
export function understand(text: string, question: EntryQuestion<EntryField> | QuantityQuestion<QuantityField>): unknown {
  return isOfQuantity(question) ? understandQuantity(text, question) : understandLength(text, question);
}

const OF_QUANTITY: readonly string[] = ['torque', 'force', 'turn', 'temperature', 'drag'] satisfies readonly QuantityField[];

const isOfQuantity = (question: { readonly field: string }): question is QuantityQuestion<QuantityField> => OF_QUANTITY.includes(question.field);
