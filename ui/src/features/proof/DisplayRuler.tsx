import { Modal, Slider } from 'antd';
import { useState } from 'react';
import { decimals } from '../../shared/format';
import { ASSUMED_PPI, setDisplayPpi, useDisplayPpi } from './displayPpi';

const MM_PER_INCH = 25.4;
/** Long enough to be measured well, short enough for a small display. */
const RULER_MM = 100;
/** ISO/IEC 7810, ID-1: the size of bank and library cards. */
const CARD_MM = { width: 85.6, height: 53.98 };

/** A ruler on the screen that is drawn to the length of a real one: so the display's ppi is known. */
export function DisplayRuler({ open, onClose }: { open: boolean; onClose: () => void }) {
  const known = useDisplayPpi();
  const [ppi, setPpi] = useState(known ?? ASSUMED_PPI);
  const px = (mm: number) => (mm / MM_PER_INCH) * ppi;
  return (
    <Modal
      open={open}
      width={760}
      title="Size of this display’s pixels"
      okText="Save"
      onOk={() => {
        setDisplayPpi(ppi);
        onClose();
      }}
      onCancel={onClose}
    >
      <p>Hold a ruler, or a bank or library card, against the screen and drag the marks until they match.</p>
      <svg className="display-ruler" width={px(RULER_MM) + 2} height={34} role="img" aria-label="A ruler of 100 mm">
        {Array.from({ length: RULER_MM + 1 }, (_, mm) => (
          <path key={mm} d={`M${1 + px(mm)} 0v${mm % 10 === 0 ? 18 : mm % 5 === 0 ? 12 : 7}`} />
        ))}
        {Array.from({ length: RULER_MM / 10 }, (_, cm) => (
          <text key={cm} x={3 + px(cm * 10)} y={31}>
            {cm * 10}
          </text>
        ))}
      </svg>
      <div
        className="display-card"
        role="img"
        aria-label="A card of 85.6 by 54 mm"
        style={{ width: px(CARD_MM.width), height: px(CARD_MM.height) }}
      >
        a card, 85.6 × 54 mm
      </div>
      <label className="field">
        <span>{decimals(ppi, 1)} pixels to a real inch</span>
        <Slider min={60} max={240} step={0.5} value={ppi} onChange={setPpi} />
      </label>
    </Modal>
  );
}
