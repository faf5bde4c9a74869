import { z } from 'zod';
import { jobFile, workshopFile } from './files.ts';

/** The shape of an exported file as JSON Schema (draft 2020-12), made from the schemas the program itself checks files by. */
export function fileSchema(): object {
  const of = (schema: z.ZodType): object => z.toJSONSchema(schema, { target: 'draft-2020-12', unrepresentable: 'any', io: 'input' });
  return {
    $schema: 'https://json-schema.org/draft/2020-12/schema',
    title: 'Elder Cog: a job, or a workshop, in a file',
    description: 'Lengths are whole nanometres, other quantities SI (angles degrees, temperatures °C), times ISO 8601 UTC.',
    oneOf: [of(jobFile), of(workshopFile)],
  };
}
