import { Server } from '@hocuspocus/server';

/** The baseline: Hocuspocus as it comes, letting everyone in and storing nothing. */
const server = new Server({ port: Number(process.env.PORT), address: '127.0.0.1', quiet: true });
await server.listen();
process.stdout.write('listening\n');
