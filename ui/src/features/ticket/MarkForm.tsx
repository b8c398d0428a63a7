import { Checkbox, InputNumber, Select, Slider, Space } from 'antd';
import type { TicketDocument } from './queries';
import { TextForm } from './phrases';
import { markPlaceWords } from './words';

type Mark = NonNullable<TicketDocument['mark']>;

/** What a mark begins with: small, at the foot, half seen. */
const FIRST: Mark = { text: '© ', place: 'FOOT_RIGHT', sizePercent: 4, strengthPercent: 50 };

/** Words over the picture, for screens. */
export function MarkForm({ value, onChange }: { value: Mark | null; onChange: (mark: Mark | null) => void }) {
  return (
    <Space orientation="vertical" style={{ width: '100%' }}>
      <Checkbox checked={value !== null} onChange={({ target }) => onChange(target.checked ? FIRST : null)}>
        words over each picture, for screens
      </Checkbox>
      {value && (
        <>
          <TextForm label="words" value={value.text} onChange={(text) => onChange({ ...value, text })} />
          <label className="field">
            <span>where</span>
            <Select
              value={value.place}
              options={Object.entries(markPlaceWords).map(([place, label]) => ({ value: place, label }))}
              onChange={(place) => onChange({ ...value, place })}
            />
          </label>
          <label className="field">
            <span>height of the letters, % of the short side</span>
            <InputNumber
              min={1}
              max={100}
              value={value.sizePercent}
              onChange={(sizePercent) => sizePercent !== null && onChange({ ...value, sizePercent })}
            />
          </label>
          <label className="field">
            <span>strength {value.strengthPercent} %</span>
            <Slider
              min={5}
              max={100}
              defaultValue={value.strengthPercent}
              onChangeComplete={(strengthPercent) => onChange({ ...value, strengthPercent })}
            />
          </label>
          <p className="quiet">Light on dark, dark on light, by what lies under it. Look at it on the proof.</p>
        </>
      )}
    </Space>
  );
}
