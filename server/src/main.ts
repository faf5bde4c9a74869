import { readFileSync } from 'node:fs';
import { createInterface } from 'node:readline/promises';
import { parseArgs } from 'node:util';
import QRCode from 'qrcode';
import { createApp } from './app.ts';
import { hasPasscode, ownAddresses, setPasscode } from './door.ts';
import { WorkshopError } from './errors.ts';
import { bringIn } from './exchange/bringIn.ts';
import { jobs } from './store/jobs.ts';
import { holdWorkshop, type Workshop } from './workshop.ts';

const { values } = parseArgs({
  options: {
    data: { type: 'string', default: 'data' },
    port: { type: 'string', default: '4710' },
    page: { type: 'string' },
    seed: { type: 'string' },
    lan: { type: 'boolean', default: false },
    new: { type: 'boolean', default: false },
  },
});

let workshop: Workshop;
try {
  workshop = holdWorkshop(values.data, { anew: values.new });
  if (values.seed !== undefined && workshop.trouble === null && jobs.all(workshop.db).length === 0)
    await bringIn(workshop, readFileSync(values.seed));
} catch (error) {
  if (!(error instanceof WorkshopError)) throw error;
  console.error(`${error.message}\nThe data is in ${values.data}.`);
  process.exit(1);
}
for (const sentence of workshop.recovered) console.log(sentence);
if (workshop.trouble !== null) sayWhatToDo(workshop);
if (values.lan && !hasPasscode(values.data)) await askForPasscode(values.data);
const app = createApp({ workshop, lan: values.lan, ...(values.page === undefined ? {} : { page: values.page }) });
const address = await listen();
console.log(`Elder Cog is at ${address}\nIts data is in ${values.data}`);

if (values.lan) {
  for (const own of ownAddresses()) {
    const link = address.replace(/\/\/[^:]+/, `//${own}`);
    console.log(`\nOn the workshop's network: ${link}\n${await QRCode.toString(link, { type: 'terminal', small: true })}`);
  }
}

/** The data was not opened: the page says so too, and has a button for each of these. */
function sayWhatToDo({ backups }: Workshop): void {
  const [last] = backups().filter((backup) => backup.damaged === null);
  const data = values.data === 'data' ? '' : ` --data ${values.data}`;
  if (last)
    console.log(`To go back to the last backup, ${last.name} (${last.jobs} machines), stop this and say: npm run restore -- ${last.name}${data}`);
  console.log('To begin anew, and set aside what is there: npm start -- --new\nOr open the page: it has a button for each.');
}

/** A refusal to start, in one sentence. */
function stop(sentence: string): never {
  console.error(sentence);
  process.exit(1);
}

async function listen(): Promise<string> {
  try {
    return (await app.listen({ host: values.lan ? '0.0.0.0' : '127.0.0.1', port: Number(values.port) })).replace('0.0.0.0', '127.0.0.1');
  } catch (error) {
    const isTaken = (error as { code?: string }).code === 'EADDRINUSE';
    workshop.close();
    return stop(isTaken ? `Port ${values.port} is taken: close what uses it, or start with --port and another number.` : String(error));
  }
}

/** The network is not opened without one. */
async function askForPasscode(folder: string): Promise<void> {
  const given =
    process.env.ELDER_COG_PASSCODE ??
    (process.stdin.isTTY ? await typed('A passcode for the workshop’s tablets, six characters or more: ') : undefined);
  if (given === undefined) {
    workshop.close();
    stop('The workshop’s network needs a passcode first: start once at a terminal, set one in Workshop, or give one in ELDER_COG_PASSCODE.');
  }
  try {
    setPasscode(folder, given);
  } catch (error) {
    workshop.close();
    stop((error as Error).message);
  }
}

async function typed(question: string): Promise<string> {
  const asking = createInterface({ input: process.stdin, output: process.stdout });
  const answer = await asking.question(question);
  asking.close();
  return answer;
}

/** A backup at the start and every hour, where anything has changed; the last of each day is the one kept. */
const keepBackup = (): void => {
  if (workshop.trouble !== null) return;
  workshop.backUp().catch((error: unknown) => console.error(error instanceof Error ? error.message : error));
};
keepBackup();
if (workshop.trouble === null) void workshop.cache.warm();
const hourly = setInterval(keepBackup, 3_600_000);

for (const signal of ['SIGINT', 'SIGTERM'] as const) {
  process.once(signal, () => {
    void app.close().then(() => {
      clearInterval(hourly);
      workshop.close();
      process.exit(0);
    });
  });
}
