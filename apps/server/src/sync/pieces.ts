import * as encoding from 'lib0/encoding';
import * as Y from 'yjs';

type Decoded = ReturnType<typeof Y.decodeUpdate>;

/**
 * An update as several that bring at most so many changes each, to be applied one after another with time for others
 * in between; what is deleted comes with the last. In the first version of Yjs's update format, which it documents in
 * its `INTERNALS.md`.
 */
export function* piecesOf({ structs, ds }: Decoded, most: number): Generator<Uint8Array> {
  for (let from = 0; from === 0 || from < structs.length; from += most) {
    const encoder = new Y.UpdateEncoderV1();
    const runs = runsOf(structs.slice(from, from + most));
    encoding.writeVarUint(encoder.restEncoder, runs.length);
    for (const run of runs) {
      const { client, clock } = run[0]!.id;
      encoding.writeVarUint(encoder.restEncoder, run.length);
      encoder.writeClient(client);
      encoding.writeVarUint(encoder.restEncoder, clock);
      for (const struct of run) struct.write(encoder, 0);
    }
    writeDeleted(encoder, from + most >= structs.length ? ds : { clients: new Map() });
    yield encoder.toUint8Array();
  }
}

type Struct = Decoded['structs'][number];

/** Neighbours by the same hand. */
function runsOf(structs: readonly Struct[]): Struct[][] {
  const runs: Struct[][] = [];
  for (const struct of structs) {
    const run = runs.at(-1);
    if (run?.[0]?.id.client === struct.id.client) run.push(struct);
    else runs.push([struct]);
  }
  return runs;
}

function writeDeleted(
  encoder: Y.UpdateEncoderV1,
  { clients }: Pick<Decoded['ds'], 'clients'>,
): void {
  encoding.writeVarUint(encoder.restEncoder, clients.size);
  for (const [client, stretches] of clients) {
    encoder.resetDsCurVal();
    encoding.writeVarUint(encoder.restEncoder, client);
    encoding.writeVarUint(encoder.restEncoder, stretches.length);
    for (const { clock, len } of stretches) {
      encoder.writeDsClock(clock);
      encoder.writeDsLen(len);
    }
  }
}
