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
import { isAny } from '../database/rows.js';
import { invalid, notFound, refused } from '../problems/problem.js';
import { AssetRow, AssetSizeRow } from './assets.entities.js';
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
    // Added up and held against the limit at once: two that come together do not both fit in what one may take.
    const hasRoom = await isAny(
      this.database,
      `UPDATE folio SET uploaded_bytes = uploaded_bytes + $2
       WHERE id = $1 AND uploaded_bytes + $2 <= $3 RETURNING 1`,
      [folioId, bytes, SERVER_LIMITS.uploadsPerStudent],
    );
    if (!hasRoom) {
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
    const { mediaType, width, height, isAnimated, bytes, seems } = picture;
    // One that is there is touched: it is not to go just now.
    const row = { hash, mediaType, width, height, isAnimated, bytes, createdAt: new Date() };
    await this.database.getRepository(AssetRow).upsert(row, ['hash']);
    if (by) await noteUses(this.database, [{ hash, name: `by:${by}` }]);
    for (const size of sizes) await this.#keepSize(hash, size);
    return { hash, width, height, isAnimated, ...(seems ? { seems } : {}) };
  }

  /**
   * A picture at the smallest kept width that is not under `width`; drawings as they are, and so are animations unless
   * only their first frame is wanted.
   */
  async serve(hash: string, width?: number, isStill = false): Promise<ServedPicture> {
    const asset = await this.#told(hash);
    const fit = WIDTHS.find((candidate) => candidate >= (width ?? Infinity));
    if (isStill && asset.isAnimated) return this.#sized(hash, fit ?? WIDTHS.at(-1)!, 'webp');
    const isFixed = asset.isAnimated || asset.mediaType === 'image/svg+xml';
    if (isFixed || fit === undefined || fit >= asset.width) {
      return { mediaType: asset.mediaType, bytes: await this.#bytes(hash) };
    }
    return this.#sized(hash, fit, 'webp');
  }

  /**
   * A picture, drawing or the first frame of an animation as a PNG, `SMALL` pixels wide unless one of `SMALL_WIDTHS` is
   * asked for.
   */
  async small(hash: string, width: number = SMALL): Promise<{ bytes: Buffer; isDrawing: boolean }> {
    const { mediaType } = await this.#told(hash);
    const { bytes } = await this.#sized(hash, width, 'png');
    return { bytes, isDrawing: mediaType === 'image/svg+xml' };
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
    return this.database.getRepository(AssetSizeRow).existsBy({ hash });
  }

  /** What is known of a picture without its bytes. */
  async #told(hash: string): Promise<Pick<AssetRow, 'mediaType' | 'width' | 'isAnimated'>> {
    const asset = await this.database.getRepository(AssetRow).findOne({
      select: { mediaType: true, width: true, isAnimated: true },
      where: { hash },
    });
    if (!asset) throw notFound('picture');
    return asset;
  }

  async #bytes(hash: string): Promise<Buffer> {
    const asset = await this.database.getRepository(AssetRow).findOneBy({ hash });
    if (!asset) throw notFound('picture');
    return asset.bytes;
  }

  /** Made on the way in; of a picture from before that was so, made once and kept. */
  async #sized(hash: string, width: number, format: 'webp' | 'png'): Promise<ServedPicture> {
    const kept = await this.database.getRepository(AssetSizeRow).findOneBy({ hash, width });
    if (kept) return { mediaType: kept.mediaType, bytes: kept.bytes };
    if ((await this.#told(hash)).mediaType === 'image/svg+xml')
      return this.#smallDrawing(hash, width);
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
    await this.database
      .createQueryBuilder()
      .insert()
      .into(AssetSizeRow)
      .values({ hash, width, mediaType, bytes })
      .orIgnore()
      .execute();
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
      seems: drawn.seems,
      sizes: drawn.small.map((png, index) => ({
        width: SMALL_WIDTHS[index]!,
        mediaType: 'image/png',
        bytes: png,
      })),
    };
  }
}
