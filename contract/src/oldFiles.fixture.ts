/** Files of every version since the first, each kept as it was written, and read for ever. */
export const OLD_FILES = [
  'workshop-v1.json',
  'workshop-v2.json',
  'job-v2.json',
  'workshop-v3.json',
  'job-v3.json',
  'workshop-v4.json',
  'job-v4.json',
  'workshop-v5.json',
  'job-v5.json',
  'workshop-v6.json',
  'job-v6.json',
  'workshop-v7.json',
  'job-v7.json',
  'workshop-v8.json',
  'job-v8.json',
] as const;
