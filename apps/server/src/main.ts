import { setFlagsFromString } from 'node:v8';
import { createApp } from './app.js';
import { configFromEnvironment } from './config.js';
import { oneAtATime } from './database/startLock.js';
import { seedDemo, sendClassIntoDemo } from './demo/seedDemo.js';

// Whatever nobody waited for any more is told; it ends no lesson.
process.on('unhandledRejection', (reason) => {
  process.stderr.write(`unhandled: ${reason instanceof Error ? reason.stack : String(reason)}\n`);
});

// Garbage is collected when it is two fifths of what is in use, not as much again: many who come and go leave much, and
// a school's machine is small.
setFlagsFromString('--heap-growing-percent=40');

const config = configFromEnvironment(import.meta.dirname);
const app = await createApp(config);
if (config.seedsDemo) await oneAtATime(config.databaseUrl, () => seedDemo(app));
await app.listen(config.port, config.host);
process.stdout.write(`listening on ${await app.getUrl()}\n`);
// Whatever keeps it away, the server runs.
if (config.livesDemo) void sendClassIntoDemo(app);
