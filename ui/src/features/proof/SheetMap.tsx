import { useQuery } from '@tanstack/react-query';
import type { MouseEvent } from 'react';
import { useObjectUrl } from '../../shared/useObjectUrl';
import { reducedSheet, type Look, type ProofSubject, type Region, type Size } from '../pixels';
import { proofQuery } from './queries';

interface Props {
  subject: ProofSubject;
  /** The whole sheet, in output pixels. */
  sheet: Size;
  look: Look;
  /** What is shown, in output pixels. */
  region: Region;
  onMiddle: (middle: { x: number; y: number }) => void;
}

/** Longer side on the screen, large enough to point at an eye. */
const SIDE = 150;

/** The whole sheet, and on it the part that is shown; a click goes there. Keys do the same on the page. */
export function SheetMap({ subject, sheet, look, region, onMiddle }: Props) {
  const scale = SIDE / Math.max(sheet.width, sheet.height);
  const reduction = Math.max(1, Math.max(sheet.width, sheet.height) / (SIDE * devicePixelRatio));
  const small = reducedSheet(sheet, reduction);
  const whole = useQuery(
    proofQuery(subject, { region: { x: 0, y: 0, width: small.width, height: small.height }, show: 'FILE', look, reduction: reduction === 1 ? null : reduction }),
  ).data;
  const url = useObjectUrl(whole?.originalId === subject.originalId ? whole.blob : undefined);
  const go = (event: MouseEvent<SVGSVGElement>) => {
    const box = event.currentTarget.getBoundingClientRect();
    onMiddle({ x: (event.clientX - box.left) / scale, y: (event.clientY - box.top) / scale });
  };
  return (
    // The pointer's short way; keys move the part from the stage.
    // oxlint-disable-next-line jsx-a11y/click-events-have-key-events, jsx-a11y/no-noninteractive-element-interactions
    <svg
      className="proof-map"
      width={sheet.width * scale}
      height={sheet.height * scale}
      viewBox={`0 0 ${sheet.width} ${sheet.height}`}
      role="img"
      aria-label={`The whole sheet; shown from ${region.x}, ${region.y} of ${sheet.width} by ${sheet.height} pixels`}
      onClick={go}
    >
      <rect className="proof-map-sheet" width={sheet.width} height={sheet.height} />
      {url && <image href={url} width={sheet.width} height={sheet.height} preserveAspectRatio="none" />}
      <rect className="proof-map-part" {...region} />
    </svg>
  );
}
