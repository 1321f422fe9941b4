/** A refusal by the server, as RFC 9457 tells it. `message` is its sentence for a person. */
export class ApiProblem extends Error {
  constructor(
    readonly status: number,
    detail: string,
    readonly errors: { field: string; message: string }[] = [],
    /** When what was asked for opens, ISO 8601. */
    readonly opensAt?: string,
  ) {
    super(detail);
  }
}

const UNREACHABLE = 'The server cannot be reached. Check the connection and try again.';

/** Characters that a browser surely sends on for a page that is left: it takes 64 kB, and a letter may be three bytes. */
const KEPT_ALIVE = 20_000;

async function request<T>(method: string, path: string, body?: unknown): Promise<T> {
  const isForm = body instanceof FormData;
  const sent = isForm || body === undefined ? body : JSON.stringify(body);
  const response = await fetch(`/api/${path}`, {
    method,
    // What is on its way when the page is left still arrives.
    keepalive: method === 'PUT' && typeof sent === 'string' && sent.length < KEPT_ALIVE,
    headers: body === undefined || isForm ? {} : { 'Content-Type': 'application/json' },
    body: sent,
  }).catch(() => {
    throw new ApiProblem(0, UNREACHABLE);
  });
  if (response.status === 204) return undefined as T;
  const answer = (await response.json().catch(() => null)) as unknown;
  if (response.ok) return answer as T;
  const problem = answer as {
    detail?: string;
    errors?: { field: string; message: string }[];
    opensAt?: string;
  } | null;
  throw new ApiProblem(
    response.status,
    problem?.detail ?? UNREACHABLE,
    problem?.errors,
    problem?.opensAt,
  );
}

export const http = {
  get: <T>(path: string) => request<T>('GET', path),
  post: <T>(path: string, body?: unknown) => request<T>('POST', path, body),
  put: <T>(path: string, body?: unknown) => request<T>('PUT', path, body),
  patch: <T>(path: string, body?: unknown) => request<T>('PATCH', path, body),
  remove: <T>(path: string) => request<T>('DELETE', path),
};

/** What was asked for will not be given, however often it is asked; anything else is trouble on the way. */
export const isRefusal = (error: unknown): boolean =>
  error instanceof ApiProblem && error.status >= 400 && error.status < 500 && error.status !== 429;

/** A sentence for whatever was thrown. */
export function sentenceOf(error: unknown): string {
  return error instanceof Error ? error.message : 'Something went wrong.';
}
