import type { Credit, Licence } from '../parts/asset.js';
import type { AssetRef } from '../parts/asset.js';

/** A drawing of the picture box that ships with Gobrel. */
export interface BoxPicture {
  id: string;
  title: string;
  tags: string[];
  author: string;
  licence: Licence;
}

/** A picture that was brought, with the credit it has. */
export interface CreditedPicture {
  asset: AssetRef;
  credit: Credit;
}
