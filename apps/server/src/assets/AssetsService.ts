import { createHash } from 'node:crypto';
import {
  Injectable,
  Logger,
  type OnApplicationBootstrap,
  type OnApplicationShutdown,
} from '@nestjs/common';
import { SERVER_LIMITS, type AssetRef } from '@gobrel/core';
import { DataSource } from 'typeorm';
import { Turns } from '../access/Turns.js';
import { invalid, notFound, refused } from '../problems/problem.js';
import type { Picture, PictureSize } from './bitmaps.js';
import { PictureMaker } from './PictureMaker.js';
import { letGo, noteUses } from './uses.js';
import { NO_PICTURE, SMALL, SMALL_WIDTHS, WIDTHS } from './sizes.js';
import { looksLikeSvg } from './svg.js';
import { isReadable } from './svgCost.js';

export interface ServedPicture {
  mediaType: string;
  bytes: Buffer;
}

/** Milliseconds between two looks for what nothing uses. */
const CLEANING = 6 * 3_600_000;

@Injectable()
export class AssetsService implements OnApplicationBootstrap, OnApplicationShutdown {
  #logger = new Logger('files');
  #cleaning: NodeJS.Timeout | null = null;
  #turns = new Turns({
    ...SERVER_LIMITS.pictures,
    perPerson: SERVER_LIMITS.pictures.waitingPerStudent,
  });

  constructor(
    private readonly database: DataSource,
    private readonly maker: PictureMaker,
  ) {}

  onApplicationBootstrap(): void {
    const clean = (): void => {
      letGo(this.database).catch((error: unknown) => this.#logger.error(String(error)));
    };
    clean();
    this.#cleaning = setInterval(clean, CLEANING).unref();
  }

  onApplicationShutdown(): void {
    if (this.#cleaning) clearInterval(this.#cleaning);
  }

  /** Takes from what a student's pictures may have in all; refuses what is over. */
  async countUpload(folioId: string, bytes: number): Promise<void> {
    const [rows] = await this.database.query<[unknown[], number]>(
      `UPDATE folio SET uploaded_bytes = uploaded_bytes + $2
       WHERE id = $1 AND uploaded_bytes + $2 <= $3 RETURNING 1`,
      [folioId, bytes, SERVER_LIMITS.uploadsPerStudent],
    );
    if (rows.length === 0) {
      throw refused('Your pictures have 60 MB in all by now: that is the most. Use one again.');
    }
  }

  /**
   * Checks by content, re-encodes, strips metadata and keeps a picture. The same bytes are kept once.
   * @param by who brings it and may see it before anything uses it: `teacher:<id>` or `folio:<id>`
   */
  async add(file: Buffer, by: string | null = null): Promise<AssetRef> {
    if (file.length === 0) throw invalid(NO_PICTURE);
    const student = by?.startsWith('folio:') ? by : '';
    const { picture, hash, sizes } = await this.#turns.take(() => this.#made(file), student);
    const { mediaType, width, height, isAnimated, bytes } = picture;
    await this.database.query(
      `INSERT INTO asset (hash, media_type, width, height, is_animated, bytes)
       VALUES ($1, $2, $3, $4, $5, $6) ON CONFLICT (hash) DO UPDATE SET created_at = now()`,
      [hash, mediaType, width, height, isAnimated, bytes],
    );
    if (by) await noteUses(this.database, [{ hash, name: `by:${by}` }]);
    for (const size of sizes) await this.#keepSize(hash, size);
    return { hash, width, height, isAnimated };
  }

  /**
   * A picture at the smallest kept width that is not under `width`; drawings as they are, and so are animations unless
   * only their first frame is wanted.
   */
  async serve(hash: string, width?: number, isStill = false): Promise<ServedPicture> {
    const [asset] = await this.database.query<
      { media_type: string; width: number; is_animated: boolean }[]
    >('SELECT media_type, width, is_animated FROM asset WHERE hash = $1', [hash]);
    if (!asset) throw notFound('picture');
    const fit = WIDTHS.find((candidate) => candidate >= (width ?? Infinity));
    if (isStill && asset.is_animated) return this.#sized(hash, fit ?? WIDTHS.at(-1)!, 'webp');
    const isFixed = asset.is_animated || asset.media_type === 'image/svg+xml';
    if (isFixed || fit === undefined || fit >= asset.width) {
      return { mediaType: asset.media_type, bytes: await this.#bytes(hash) };
    }
    return this.#sized(hash, fit, 'webp');
  }

  /**
   * A picture, drawing or the first frame of an animation as a PNG, `SMALL` pixels wide unless one of `SMALL_WIDTHS` is
   * asked for.
   */
  async small(hash: string, width: number = SMALL): Promise<{ bytes: Buffer; isDrawing: boolean }> {
    const [asset] = await this.database.query<{ media_type: string }[]>(
      'SELECT media_type FROM asset WHERE hash = $1',
      [hash],
    );
    if (!asset) throw notFound('picture');
    const { bytes } = await this.#sized(hash, width, 'png');
    return { bytes, isDrawing: asset.media_type === 'image/svg+xml' };
  }

  /** A picture with all sizes that it is handed out in. */
  async #made(file: Buffer): Promise<{ picture: Picture; hash: string; sizes: PictureSize[] }> {
    const picture = await (looksLikeSvg(file) ? this.#readSvg(file) : this.maker.readBitmap(file));
    const hash = createHash('sha256').update(picture.bytes).digest('hex');
    const sizes =
      picture.sizes ?? ((await this.#isKept(hash)) ? [] : await this.maker.sizesOf(picture));
    return { picture, hash, sizes };
  }

  async #isKept(hash: string): Promise<boolean> {
    const rows = await this.database.query<unknown[]>(
      'SELECT 1 FROM asset_size WHERE hash = $1 LIMIT 1',
      [hash],
    );
    return rows.length > 0;
  }

  async #bytes(hash: string): Promise<Buffer> {
    const [row] = await this.database.query<{ bytes: Buffer }[]>(
      'SELECT bytes FROM asset WHERE hash = $1',
      [hash],
    );
    return row!.bytes;
  }

  /** Made on the way in; of a picture from before that was so, made once and kept. */
  async #sized(hash: string, width: number, format: 'webp' | 'png'): Promise<ServedPicture> {
    const [kept] = await this.database.query<{ media_type: string; bytes: Buffer }[]>(
      'SELECT media_type, bytes FROM asset_size WHERE hash = $1 AND width = $2',
      [hash, width],
    );
    if (kept) return { mediaType: kept.media_type, bytes: kept.bytes };
    const [{ media_type: type } = { media_type: '' }] = await this.database.query<
      { media_type: string }[]
    >('SELECT media_type FROM asset WHERE hash = $1', [hash]);
    if (type === 'image/svg+xml') return this.#smallDrawing(hash, width);
    const whole = await this.#bytes(hash);
    const size = await this.#turns.take(() => this.maker.sizeOf(whole, width, format));
    await this.#keepSize(hash, size);
    return size;
  }

  /** Of a drawing from before small pictures were made on the way in. */
  async #smallDrawing(hash: string, width: number): Promise<ServedPicture> {
    const drawn = await this.maker.draw((await this.#bytes(hash)).toString('utf8'));
    const at = (SMALL_WIDTHS as readonly number[]).indexOf(width);
    const png = drawn?.small[at];
    if (!png) throw notFound('picture');
    const size = { width, mediaType: 'image/png', bytes: png };
    await this.#keepSize(hash, size);
    return size;
  }

  async #keepSize(hash: string, { width, mediaType, bytes }: PictureSize): Promise<void> {
    await this.database.query(
      `INSERT INTO asset_size (hash, width, media_type, bytes) VALUES ($1, $2, $3, $4)
       ON CONFLICT DO NOTHING`,
      [hash, width, mediaType, bytes],
    );
  }

  async #readSvg(file: Buffer): Promise<Picture> {
    if (file.length > SERVER_LIMITS.svg.bytes) {
      throw invalid('This drawing is too large: an SVG has 2 MB at the most.');
    }
    const drawn = isReadable(file) ? await this.maker.draw(file.toString('utf8')) : null;
    if (!drawn) {
      throw invalid(
        'This drawing cannot be shown: it is no SVG, or it is too entangled to be drawn in a moment.',
      );
    }
    return {
      mediaType: 'image/svg+xml',
      width: drawn.width,
      height: drawn.height,
      isAnimated: false,
      bytes: Buffer.from(drawn.svg, 'utf8'),
      sizes: drawn.small.map((png, index) => ({
        width: SMALL_WIDTHS[index]!,
        mediaType: 'image/png',
        bytes: png,
      })),
    };
  }
}
