import { join } from 'node:path';

/** Settings of one server process, all from the environment. */
export interface Config {
  port: number;
  host: string;
  databaseUrl: string;
  /** Folder of the built interface; '' serves the API alone. */
  webFolder: string;
  /** Switches fan-out between several servers on. */
  redisUrl: string;
  /** Reverse proxies of our own in front of the server: where requests come from is told by them. */
  proxies: number;
  /** Cookies are marked secure when people come over https. */
  isSecure: boolean;
  seedsDemo: boolean;
  /** The program that simulates the students of a practice class. */
  practiceWorker: string;
  /** The program that reads pictures and makes drawings clean. */
  pictureWorker: string;
  /** The program that reads large changes. */
  cuttingWorker: string;
  logLevel: string;
}

/** `folder` is where the server's programs lie. */
export function configFromEnvironment(
  folder: string,
  env: NodeJS.ProcessEnv = process.env,
): Config {
  if (!env.DATABASE_URL) throw new Error('DATABASE_URL is not set.');
  return {
    port: Number(env.PORT ?? 4300),
    host: env.HOST ?? '127.0.0.1',
    databaseUrl: env.DATABASE_URL,
    webFolder: env.GOBREL_WEB ?? '',
    redisUrl: env.REDIS_URL ?? '',
    proxies: Number(env.GOBREL_PROXIES ?? 0) || 0,
    isSecure: env.GOBREL_HTTPS === '1',
    seedsDemo: env.GOBREL_DEMO === '1',
    practiceWorker: join(folder, 'practice', 'worker.js'),
    pictureWorker: join(folder, 'assets', 'pictureProcess.js'),
    cuttingWorker: join(folder, 'sync', 'cuttingWorker.js'),
    logLevel: env.LOG_LEVEL ?? 'info',
  };
}

export const CONFIG = Symbol('config');
