import { anyFile, fileProblems, FILE_VERSION, jobsIn, upgradeFile, type AnyFile } from '@elder-cog/contract';
import { derive } from '@elder-cog/derive';
import { strFromU8, unzipSync } from 'fflate';
import { findNodeAtLocation, parseTree, printParseErrorCode, type Node, type ParseError } from 'jsonc-parser';
import type { z } from 'zod';
import { WorkshopError } from '../errors.ts';

/** No job.json or workshop.json of ours is bigger than this when it is unpacked; photos are counted one by one. */
const UNPACKED_LIMIT = 256 * 1024 * 1024;
const ENTRIES = ['job.json', 'workshop.json'] as const;

/**
 * Reads an exported file: a `.eldercog.zip` or a bare JSON file, of any version this program has written.
 *
 * @param bytes as they came
 * @throws WorkshopError `badFile`, whose sentence names line, field, what was found and what would be right
 */
export function readFile(bytes: Uint8Array): AnyFile {
  const text = textOf(bytes);
  const raw = jsonOf(text);
  refuseNewer(raw);
  const upgraded = upgradeFile(raw);
  const checked = anyFile.safeParse(upgraded);
  if (!checked.success) throw shapeRefusal(text, checked.error);
  const [problem, ...others] = fileProblems(checked.data);
  if (problem) throw refusal(text, problem.path, problem.found, problem.wanted, others.length);
  for (const job of jobsIn(checked.data)) tryDerive(job);
  return checked.data;
}

export const isZip = (bytes: Uint8Array): boolean => bytes[0] === 0x50 && bytes[1] === 0x4b;

function textOf(bytes: Uint8Array): string {
  if (bytes.length === 0) throw new WorkshopError('badFile', 'That file is empty: choose a .eldercog.zip or a job.json.');
  if (!isZip(bytes)) return decode(bytes);
  let unpacked = 0;
  let files: Record<string, Uint8Array>;
  try {
    files = unzipSync(bytes, {
      filter: ({ name, originalSize }) => {
        if (!(ENTRIES as readonly string[]).includes(name)) return false;
        unpacked += originalSize;
        if (unpacked > UNPACKED_LIMIT) throw new WorkshopError('badFile', 'That file unpacks to more than 256 MB: it is not one of ours.');
        return true;
      },
    });
  } catch (error) {
    if (error instanceof WorkshopError) throw error;
    throw new WorkshopError('badFile', 'That is a damaged zip file: it stops short, or was changed on the way. Export it again.');
  }
  const found = ENTRIES.map((name) => files[name]).find((entry) => entry !== undefined);
  if (!found) throw new WorkshopError('badFile', 'There is no job.json or workshop.json in that zip: it is not an export of Elder Cog.');
  return decode(found);
}

function decode(bytes: Uint8Array): string {
  try {
    return new TextDecoder('utf-8', { fatal: true }).decode(bytes);
  } catch {
    const start = strFromU8(bytes.slice(0, 12), true).replace(/[^\x20-\x7e]/g, '·');
    throw new WorkshopError('badFile', `That is not a text file: it begins “${start}”. Choose a .eldercog.zip or a job.json.`);
  }
}

const lineAt = (text: string, offset: number): number => text.slice(0, offset).split('\n').length;

function jsonOf(text: string): unknown {
  try {
    return JSON.parse(text);
  } catch {
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
  const line = lineAt(text, nodeAt(parseTree(text), path)?.offset ?? 0);
  const field = fieldName(path);
  const more = others > 0 ? ` There ${others === 1 ? 'is one more thing' : `are ${others} more things`} wrong with it.` : '';
  return new WorkshopError('badFile', `Line ${line}, ${field}: found ${found}; there should be ${wanted}.${more} Nothing was brought in.`, {
    line,
    field,
    found,
    wanted,
  });
}

function shapeRefusal(text: string, error: z.ZodError): WorkshopError {
  const [first, ...others] = error.issues;
  const path = (first?.path ?? []).map((key) => (typeof key === 'symbol' ? String(key) : key));
  const node = parseTree(text);
  const at = node && findNodeAtLocation(node, path);
  return refusal(text, path, shown(at === undefined ? undefined : valueOf(text, at)), wantedBy(first), others.length);
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

function tryDerive(facts: Parameters<typeof derive>[0]): void {
  try {
    derive(facts);
  } catch {
    throw new WorkshopError(
      'badFile',
      `The facts of ${facts.job.machine} contradict each other, so that nothing can be reckoned from them. Nothing was brought in.`,
    );
  }
}
