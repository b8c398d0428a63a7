import { Checkbox } from 'antd';
import type { Schemas } from '../../api/client';
import { Choice } from './phrases';
import { TextsFields } from './TextsFields';
import { hasWords } from './words';

type Metadata = Schemas['MetadataDocument'];

const keptWords: Record<Metadata['kept'], string> = {
  CREDITS_AND_CAPTION: 'creator, rights, contact, title and caption',
  CREDITS: 'only creator, rights and contact',
  ALL: 'everything that still holds for the new file',
  NONE: 'nothing',
};

/** What files carry over of their originals' metadata, and what they say in their own words. */
export function MetadataForm({ value, onChange }: { value: Metadata; onChange: (value: Metadata) => void }) {
  const isAll = value.kept === 'ALL';
  return (
    <div className="own-form">
      <p className="quiet">Kept from the original, in Exif, IPTC and XMP:</p>
      <Choice value={value.kept} words={keptWords} onChange={(kept) => onChange({ ...value, kept })} />
      {isAll && (
        <>
          <Checkbox
            checked={value.place === 'KEPT'}
            onChange={(event) => onChange({ ...value, place: event.target.checked ? 'KEPT' : 'DROPPED' })}
          >
            also the place where it was taken
          </Checkbox>
          <Checkbox
            checked={value.serialNumbers === 'KEPT'}
            onChange={(event) => onChange({ ...value, serialNumbers: event.target.checked ? 'KEPT' : 'DROPPED' })}
          >
            also serial numbers of camera and lens
          </Checkbox>
        </>
      )}
      <details className="own-words" open={hasWords(value.texts)}>
        <summary>Own title, caption, rights</summary>
        <p className="quiet">Written into every file in place of the original’s. Empty fields change nothing.</p>
        <TextsFields value={value.texts} onChange={(texts) => onChange({ ...value, texts })} />
      </details>
    </div>
  );
}
