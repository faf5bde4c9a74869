import {
  anyFile,
  fileProblems,
  FILE_VERSION,
  jobFacts,
  journalEntry,
  lot,
  ownInstrument,
  stock,
  upgradeFile,
  type AnyFile,
} from '@elder-cog/contract';
import { strFromU8 } from 'fflate';
import { findNodeAtLocation, parseTree, printParseErrorCode, type Node, type ParseError } from 'jsonc-parser';
import type { z } from 'zod';
import { WorkshopError } from '../errors.ts';
import { isZip, openPacked, type Packed } from './packed.ts';

/** No job.json or workshop.json of ours is bigger than this when it is unpacked; photos are counted one by one. */
const MOST_BYTES = 64 * 1024 * 1024;
/** A list in a file of ours is shorter, and its fields lie less deep. */
const MOST_ROWS = 100_000;
const DEEPEST = 32;
/** Over this the line of a fault is not looked for: its field is said alone. */
const LINES_WITHIN = 4 * 1024 * 1024;
const ENTRIES = ['job.json', 'workshop.json'] as const;

/** A file that was read: what is in it, and where it was packed, its photos beside it. */
export interface ReadFile {
  readonly file: AnyFile;
  readonly packed: Packed | null;
}

/**
 * Reads an exported file: a `.eldercog.zip` or a bare JSON file, of any version this program has written.
 *
 * @param bytes as they came
 * @throws WorkshopError `badFile`, whose sentence names line, field, what was found and what would be right
 */
export async function readFile(bytes: Uint8Array): Promise<ReadFile> {
  if (bytes.length === 0) throw new WorkshopError('badFile', 'That file is empty: choose a .eldercog.zip or a job.json.');
  if (!isZip(bytes)) return { file: readBare(bytes), packed: null };
  const packed = await openPacked(bytes);
  for (const name of ENTRIES) {
    const found = await packed.read(name, MOST_BYTES);
    if (found) return { file: readBare(found), packed };
  }
  throw new WorkshopError('badFile', 'There is no job.json or workshop.json in that zip: it is not an export of Elder Cog.');
}

/**
 * Reads the JSON of a job or a workshop.
 *
 * @throws WorkshopError `badFile`, as `readFile`
 */
export function readBare(bytes: Uint8Array): AnyFile {
  if (bytes.length > MOST_BYTES) throw new WorkshopError('badFile', 'That file is over 64 MB without its photos: it is not one of ours.');
  const text = decode(bytes);
  refuseDeep(text);
  const raw = jsonOf(text);
  refuseNewer(raw);
  const file = checked(text, upgradeFile(raw));
  const [problem, ...others] = fileProblems(file);
  if (problem) throw refusal(text, problem.path, problem.found, problem.wanted, others.length);
  return file;
}

/** Looked for before it is parsed: what lies deep enough stops a program that goes down into it. */
function refuseDeep(text: string): void {
  let depth = 0;
  let inWords = false;
  for (let i = 0; i < text.length; i++) {
    const c = text.charCodeAt(i);
    if (inWords) {
      if (c === 0x5c) i++;
      else if (c === 0x22) inWords = false;
    } else if (c === 0x22) inWords = true;
    else if (c === 0x7b || c === 0x5b) {
      if (++depth > DEEPEST)
        throw new WorkshopError('badFile', `That file lies more than ${DEEPEST} deep, list in list: it is not an export of Elder Cog.`);
    } else if (c === 0x7d || c === 0x5d) depth--;
  }
}

type Lists = Record<string, z.ZodArray>;
const FACT_LISTS = Object.fromEntries(Object.entries(jobFacts.shape).filter(([name]) => name !== 'job')) as unknown as Lists;

/**
 * Held to its shape, a row at a time, and no further than the first that is wrong: a list of a million wrong things is one wrong thing.
 */
function checked(text: string, raw: unknown): AnyFile {
  const file = raw as Record<string, unknown>;
  const facts = file.format === 'elder-cog/job' ? [['job', file.job] as const] : listOf(file.jobs).map((job, n) => [`jobs.${n}`, job] as const);
  if (facts.length > 10_000) throw refusal(text, ['jobs'], `${facts.length} of them`, 'no more than 10000 machines', 0);
  const lists: { at: (string | number)[]; of: Record<string, unknown>; name: string; rows: z.ZodType }[] = [];
  for (const [at, job] of facts) {
    if (typeof job !== 'object' || job === null) continue;
    const path = at.split('.').map((key) => (/^\d+$/.test(key) ? Number(key) : key));
    for (const [name, list] of Object.entries(FACT_LISTS))
      lists.push({ at: [...path, name], of: job as Record<string, unknown>, name, rows: list.element as z.ZodType });
  }
  lists.push(
    { at: ['lots'], of: file, name: 'lots', rows: lot },
    { at: ['instruments'], of: file, name: 'instruments', rows: ownInstrument },
    { at: ['stock'], of: file, name: 'stock', rows: stock },
    { at: ['journal'], of: file, name: 'journal', rows: journalEntry },
  );
  const taken = lists.flatMap((list) => {
    const rows = list.of[list.name];
    if (!Array.isArray(rows)) return [];
    if (rows.length > MOST_ROWS) throw refusal(text, list.at, `${rows.length} of them`, `no more than ${MOST_ROWS}`, 0);
    // out of the way while what is round them is looked at
    list.of[list.name] = [];
    return [{ ...list, found: rows as unknown[] }];
  });
  const shell = anyFile.safeParse(file);
  if (!shell.success) throw shapeRefusal(text, shell.error, []);
  const whole = shell.data as unknown as Record<string, unknown>;
  for (const { at, rows, found } of taken) {
    const parsed = found.map((row, i) => {
      const result = rows.safeParse(row);
      if (!result.success) throw shapeRefusal(text, result.error, [...at, i]);
      return result.data;
    });
    const parent = at.slice(0, -1).reduce<Record<string | number, unknown>>((node, key) => node[key] as Record<string | number, unknown>, whole);
    const name = at.at(-1) ?? '';
    if (name in parent) parent[name] = parsed;
  }
  return whole as unknown as AnyFile;
}

const listOf = (value: unknown): unknown[] => (Array.isArray(value) ? (value as unknown[]) : []);

function decode(bytes: Uint8Array): string {
  try {
    return new TextDecoder('utf-8', { fatal: true }).decode(bytes);
  } catch {
    const start = strFromU8(bytes.slice(0, 12), true).replace(/[^\x20-\x7e]/g, '·');
    throw new WorkshopError('badFile', `That is not a text file: it begins “${start}”. Choose a .eldercog.zip or a job.json.`);
  }
}

const lineAt = (text: string, offset: number): number => text.slice(0, offset).split('\n').length;
const tree = (text: string): Node | undefined => (text.length > LINES_WITHIN ? undefined : parseTree(text));

function jsonOf(text: string): unknown {
  try {
    return JSON.parse(text);
  } catch {
    if (text.length > LINES_WITHIN) throw new WorkshopError('badFile', 'That is not JSON: was the file cut short, or edited by hand?');
    const errors: ParseError[] = [];
    parseTree(text, errors, { disallowComments: true });
    const [first] = errors;
    const line = lineAt(text, first?.offset ?? text.length);
    const said = first
      ? printParseErrorCode(first.error)
          .replace(/([A-Z])/g, ' $1')
          .toLowerCase()
          .trim()
      : 'it stops short';
    throw new WorkshopError('badFile', `Line ${line}: this is not JSON (${said}). Was the file cut short, or edited by hand?`, { line });
  }
}

function refuseNewer(raw: unknown): void {
  const { format, version } = (typeof raw === 'object' && raw !== null ? raw : {}) as { format?: unknown; version?: unknown };
  if (format !== 'elder-cog/job' && format !== 'elder-cog/workshop')
    throw new WorkshopError(
      'badFile',
      `This is not an export of Elder Cog: “format” is ${shown(format)}, and should be elder-cog/job or elder-cog/workshop.`,
      { field: 'format' },
    );
  if (typeof version === 'number' && version > FILE_VERSION)
    throw new WorkshopError(
      'badFile',
      `This file is of version ${version}, made by a newer Elder Cog; this one reads up to ${FILE_VERSION}. Nothing was touched: open it with the newer one.`,
      {
        field: 'version',
      },
    );
}

const shown = (value: unknown): string => {
  if (value === undefined) return 'missing';
  const text = typeof value === 'object' && value !== null ? (Array.isArray(value) ? 'a list' : 'a set of fields') : JSON.stringify(value);
  return text.length > 60 ? `${text.slice(0, 60)}…` : text;
};

/** The place a path names, or the nearest there is above it. */
function nodeAt(tree: Node | undefined, path: readonly (string | number)[]): Node | undefined {
  if (!tree) return undefined;
  for (let length = path.length; length >= 0; length--) {
    const node = findNodeAtLocation(tree, path.slice(0, length));
    if (node) return node;
  }
  return tree;
}

const fieldName = (path: readonly (string | number)[]): string =>
  path.reduce<string>((name, key) => (typeof key === 'number' ? `${name}[${key}]` : name === '' ? key : `${name}.${key}`), '');

function refusal(text: string, path: readonly (string | number)[], found: string, wanted: string, others: number): WorkshopError {
  const root = tree(text);
  const line = root ? lineAt(text, nodeAt(root, path)?.offset ?? 0) : undefined;
  const field = fieldName(path);
  const more = others > 0 ? ` There ${others === 1 ? 'is one more thing' : `are ${others} more things`} wrong with it.` : '';
  return new WorkshopError(
    'badFile',
    `${line === undefined ? 'In' : `Line ${line},`} ${field}: found ${found}; there should be ${wanted}.${more} Nothing was brought in.`,
    {
      ...(line === undefined ? {} : { line }),
      field,
      found,
      wanted,
    },
  );
}

function shapeRefusal(text: string, error: z.ZodError, under: readonly (string | number)[]): WorkshopError {
  const [first, ...others] = error.issues;
  const path = [...under, ...(first?.path ?? []).map((key) => (typeof key === 'symbol' ? String(key) : key))];
  const node = tree(text);
  const at = node && findNodeAtLocation(node, path);
  const found = node ? shown(at === undefined ? undefined : valueOf(text, at)) : 'something else';
  return refusal(text, path, found, wantedBy(first), others.length);
}

const valueOf = (text: string, node: Node): unknown => JSON.parse(text.slice(node.offset, node.offset + node.length));

const TYPES: Readonly<Record<string, string>> = {
  string: 'words in quotes',
  number: 'a number',
  int: 'a whole number',
  boolean: 'true or false',
  array: 'a list',
  object: 'a set of fields',
  null: 'null',
};
const FORMATS: Readonly<Record<string, string>> = {
  uuid: 'an id of the form 8-4-4-4-12 hex digits',
  datetime: 'a time such as 2026-10-02T17:00:00.000Z',
};

function wantedBy(issue: z.core.$ZodIssue | undefined): string {
  if (!issue) return 'something else';
  switch (issue.code) {
    case 'invalid_type':
      return TYPES[issue.expected] ?? `a ${issue.expected}`;
    case 'invalid_value':
      return issue.values.map(String).join(' or ');
    case 'invalid_format':
      return FORMATS[issue.format] ?? `something of the form ${issue.format}`;
    case 'too_big':
      return `no more than ${issue.maximum}${issue.origin === 'string' ? ' letters' : issue.origin === 'array' ? ' of them' : ''}`;
    case 'too_small':
      return `${issue.minimum} or more${issue.origin === 'string' ? ' letters' : issue.origin === 'array' ? ' of them' : ''}`;
    default:
      return issue.message.replace(/\.$/, '');
  }
}
