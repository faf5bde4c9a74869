import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { parseArgs } from 'node:util';
import { createApp } from './app.ts';
import { importWorkshop } from './exchange/importWorkshop.ts';
import { jobs } from './store/jobs.ts';
import { openDb } from './store/open.ts';

const { values } = parseArgs({
  options: {
    data: { type: 'string', default: 'data' },
    port: { type: 'string', default: '4710' },
    page: { type: 'string' },
    seed: { type: 'string' },
  },
});

const file = join(values.data, 'workshop.sqlite');
const db = openDb(file);
if (values.seed !== undefined && jobs.all(db).length === 0)
  importWorkshop(db, JSON.parse(readFileSync(values.seed, 'utf8')) as Parameters<typeof importWorkshop>[1]);
const app = createApp({ db, ...(values.page === undefined ? {} : { page: values.page }) });
const address = await app.listen({ host: '127.0.0.1', port: Number(values.port) });
console.log(`Elder Cog is at ${address}\nIts data is in ${file}`);

for (const signal of ['SIGINT', 'SIGTERM'] as const) {
  process.once(signal, () => {
    void app.close().then(() => {
      db.close();
      process.exit(0);
    });
  });
}
