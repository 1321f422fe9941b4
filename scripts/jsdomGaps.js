import { TextDecoder, TextEncoder } from 'node:util';

// What every browser has and jsdom does not give.
Object.assign(globalThis, { TextDecoder, TextEncoder });
