import { createApp } from './app.js';
import { configFromEnvironment } from './config.js';
import { seedDemo } from './demo/seedDemo.js';

// Whatever nobody waited for any more is told; it ends no lesson.
process.on('unhandledRejection', (reason) => {
  process.stderr.write(`unhandled: ${reason instanceof Error ? reason.stack : String(reason)}\n`);
});

const config = configFromEnvironment(import.meta.dirname);
const app = await createApp(config);
if (config.seedsDemo) await seedDemo(app);
await app.listen(config.port, config.host);
process.stdout.write(`listening on ${await app.getUrl()}\n`);
