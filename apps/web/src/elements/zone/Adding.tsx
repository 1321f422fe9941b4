import { Hand, Scan } from 'lucide-react';
import type { ReactElement } from 'react';
import { Add, type AddingProps } from '../../settings/Adding';
import { pieceElement } from '../text/making';
import { zoneElement } from './making';

/** A piece, and where it goes. */
export const Adding = ({ slide, add }: AddingProps): ReactElement => (
  <>
    <Add icon={Hand} label="Piece" onClick={() => add(pieceElement(slide), true)} />
    <Add icon={Scan} label="Zone" onClick={() => add(zoneElement(slide))} />
  </>
);
