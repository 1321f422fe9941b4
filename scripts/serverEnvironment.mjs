/** What a server is started with: its threads share two heaps of native memory, and what one leaves another takes. */
export const SERVER_ENVIRONMENT = { MALLOC_ARENA_MAX: '2' };

/** Megabytes for what is new: a class holds little that does not last, and what is full sooner is looked through sooner. */
export const SERVER_OPTIONS = ['--max-semi-space-size=4'];
