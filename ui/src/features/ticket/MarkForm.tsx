import { useMutation } from '@tanstack/react-query';
import { Button, Checkbox, InputNumber, Radio, Select, Slider, Space } from 'antd';
import { useRef } from 'react';
import { answer, api, bytesOf } from '../../api/client';
import { Problem } from '../../api/problems';
import { TextForm } from './phrases';
import type { TicketDocument } from './queries';
import { markPlaceWords } from './words';

type Mark = NonNullable<TicketDocument['mark']>;

/** What a mark begins with: small, at the bottom, half seen. */
const FIRST: Mark = { content: { kind: 'words', text: '©' }, place: 'BOTTOM_RIGHT', sizePercent: 4, strengthPercent: 50 };

/** Words or a picture drawn over each picture, for screens. */
export function MarkForm({ value, onChange }: { value: Mark | null; onChange: (mark: Mark | null) => void }) {
  return (
    <Space orientation="vertical" style={{ width: '100%' }}>
      <Checkbox checked={value !== null} onChange={({ target }) => onChange(target.checked ? FIRST : null)}>
        a mark over each picture, for screens
      </Checkbox>
      {value && (
        <>
          <Content value={value.content} onChange={(content) => onChange({ ...value, content })} />
          <label className="field">
            <span>where</span>
            <Select
              value={value.place}
              options={Object.entries(markPlaceWords).map(([place, label]) => ({ value: place, label }))}
              onChange={(place) => onChange({ ...value, place })}
            />
          </label>
          <label className="field">
            <span>height, % of the short side</span>
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

function Content({ value, onChange }: { value: Mark['content']; onChange: (content: Mark['content']) => void }) {
  const file = useRef<HTMLInputElement>(null);
  const send = useMutation({
    mutationFn: (png: File) => answer(api.POST('/api/v1/marks', bytesOf(png))),
    onSuccess: ({ digest, width, height }) => onChange({ kind: 'picture', digest, width, height }),
  });
  const problem = send.isError ? Problem.from(send.error) : undefined;
  return (
    <>
      <Radio.Group
        aria-label="What is drawn"
        value={value.kind}
        onChange={({ target }) =>
          target.value === 'words' ? onChange({ kind: 'words', text: '©' }) : file.current?.click()
        }
      >
        <Radio value="words">words</Radio>
        <Radio value="picture">a PNG</Radio>
      </Radio.Group>
      {value.kind === 'words' ? (
        <TextForm label="words" value={value.text} onChange={(text) => onChange({ kind: 'words', text })} />
      ) : (
        <p>
          <img className="mark-shown" src={`/api/v1/marks/${value.digest}/file`} alt="the mark" height={40} />{' '}
          <Button size="small" onClick={() => file.current?.click()}>
            Another PNG
          </Button>
        </p>
      )}
      <input
        ref={file}
        type="file"
        hidden
        accept="image/png"
        aria-label="PNG of the mark"
        onChange={({ target }) => {
          if (target.files?.[0]) send.mutate(target.files[0]);
          target.value = '';
        }}
      />
      {problem && (
        <p className="field-problem" role="alert">
          ■ {problem.message} {problem.remedy}
        </p>
      )}
    </>
  );
}
