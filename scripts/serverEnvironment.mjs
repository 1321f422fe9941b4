/** What a server is started with: its threads share two heaps of native memory, and what one leaves another takes. */
export const SERVER_ENVIRONMENT = { MALLOC_ARENA_MAX: '2' };
