import { ApiProblem, http, sentenceOf } from './http';

function answerWith(status: number, body: unknown): jest.Mock {
  const fetched = jest.fn(() =>
    Promise.resolve(new Response(status === 204 ? null : JSON.stringify(body), { status })),
  );
  globalThis.fetch = fetched as unknown as typeof fetch;
  return fetched;
}

test('an answer comes as it is, an empty one as nothing', async () => {
  answerWith(200, { id: '7' });
  expect(await http.get('decks/7')).toEqual({ id: '7' });
  answerWith(204, null);
  expect(await http.remove('decks/7')).toBeUndefined();
});

test('what is sent is JSON, files are not', async () => {
  const json = answerWith(200, {});
  await http.post('decks', { title: 'Tides' });
  expect(json).toHaveBeenCalledWith(
    '/api/decks',
    expect.objectContaining({ method: 'POST', body: '{"title":"Tides"}' }),
  );
  const form = answerWith(200, {});
  const files = new FormData();
  await http.post('assets', files);
  expect(form).toHaveBeenCalledWith(
    '/api/assets',
    expect.objectContaining({ body: files, headers: {} }),
  );
});

test('a refusal is thrown with the server’s own sentence', async () => {
  answerWith(409, { detail: 'This lesson has ended.', status: 409 });
  const thrown = await http.post('student/hand-in').catch((error: unknown) => error);
  expect(thrown).toBeInstanceOf(ApiProblem);
  expect(thrown).toMatchObject({ status: 409, message: 'This lesson has ended.' });
});

test('no connection and no sense are said in words', async () => {
  globalThis.fetch = () => Promise.reject(new TypeError('failed'));
  expect(await http.get('x').catch(sentenceOf)).toContain('cannot be reached');
  globalThis.fetch = () => Promise.resolve(new Response('<html>', { status: 502 }));
  expect(await http.get('x').catch(sentenceOf)).toContain('cannot be reached');
  expect(sentenceOf('what?')).toBe('Something went wrong.');
});
