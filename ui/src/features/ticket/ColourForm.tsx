import { Checkbox, Radio, Space } from 'antd';
import type { Schemas } from '../../api/client';
import { ProfileSelect, useProfiles, type Profile } from '../profiles';
import type { TicketDocument } from './queries';
import { intentPurposes, type Intent } from './words';

type Colour = TicketDocument['colour'];
type Convert = Extract<Colour, { kind: 'convert' }>;

interface Props {
  value: Colour;
  rounding: TicketDocument['rounding'];
  onChange: (part: Partial<Pick<TicketDocument, 'colour' | 'rounding'>>) => void;
}

const ref = ({ digest, model }: Profile): Schemas['ProfileDocument'] => ({ digest, model });

/** Keep, assign, or convert; and how what does not fit is fitted. */
export function ColourForm({ value, rounding, onChange }: Props) {
  const profiles = useProfiles();
  const known = value.kind === 'keep' ? undefined : value.profile;
  const choose = (kind: Colour['kind']) => {
    const standard = profiles.find(({ title }) => title === 'sRGB');
    const profile = known ?? (standard && ref(standard));
    if (kind === 'keep') onChange({ colour: { kind } });
    else if (kind === 'assign' && profile) onChange({ colour: { kind, profile } });
    else if (kind === 'convert' && profile) {
      onChange({ colour: { kind, profile, intent: 'RELATIVE', blackPoint: 'COMPENSATED' } });
    }
  };
  return (
    <Space orientation="vertical" style={{ width: '100%' }} size={10}>
      <Radio.Group value={value.kind} onChange={(event) => choose(event.target.value)}>
        <Space orientation="vertical" size={4}>
          <Radio value="keep">
            <strong>keep</strong> <span className="quiet">each picture keeps its profile and its values</span>
          </Radio>
          <Radio value="convert">
            <strong>convert</strong> <span className="quiet">the look stays, the values change</span>
          </Radio>
          <Radio value="assign">
            <strong>assign</strong> <span className="quiet">the values stay, the look changes: where a profile is missing or wrong</span>
          </Radio>
        </Space>
      </Radio.Group>
      {value.kind !== 'keep' && (
        <ProfileSelect
          label={value.kind === 'convert' ? 'Profile to convert to' : 'Profile to assign'}
          value={value.profile.digest}
          holds={({ use }) => value.kind === 'assign' || use === 'SOURCE_AND_TARGET'}
          onChange={(profile) => onChange({ colour: { ...value, profile: ref(profile) } })}
        />
      )}
      {value.kind === 'convert' && <Fitted value={value} onChange={(colour) => onChange({ colour })} />}
      <Checkbox
        checked={rounding === 'DITHERED'}
        onChange={(event) => onChange({ rounding: event.target.checked ? 'DITHERED' : 'NEAREST' })}
      >
        <strong>dither to 8 bits</strong> <span className="quiet">no steps in smooth skies</span>
      </Checkbox>
    </Space>
  );
}

/** Which intent, and whether blacks are compensated. */
function Fitted({ value, onChange }: { value: Convert; onChange: (value: Convert) => void }) {
  const isAbsolute = value.intent === 'ABSOLUTE';
  const choose = (intent: Intent) =>
    onChange({ ...value, intent, blackPoint: intent === 'ABSOLUTE' ? 'PLAIN' : value.blackPoint });
  return (
    <>
      <Radio.Group aria-label="Intent" value={value.intent} onChange={(event) => choose(event.target.value as Intent)}>
        <Space orientation="vertical" size={4}>
          {(Object.entries(intentPurposes) as [Intent, { name: string; purpose: string }][]).map(
            ([intent, { name, purpose }]) => (
              <Radio key={intent} value={intent}>
                <strong>{name}</strong> <span className="quiet">{purpose}</span>
              </Radio>
            ),
          )}
        </Space>
      </Radio.Group>
      <Checkbox
        disabled={isAbsolute}
        checked={value.blackPoint === 'COMPENSATED'}
        onChange={(event) => onChange({ ...value, blackPoint: event.target.checked ? 'COMPENSATED' : 'PLAIN' })}
      >
        <strong>black point compensation</strong>{' '}
        <span className="quiet">{isAbsolute ? 'not with absolute' : 'shadows keep their detail'}</span>
      </Checkbox>
      <p className="quiet">
        Relative with black point compensation suits most photographs. If the gamut check marks large areas, try perceptual.
      </p>
    </>
  );
}
