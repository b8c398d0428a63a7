import { useMutation, useQueryClient } from '@tanstack/react-query';
import { Button, Checkbox, Drawer, Input, InputNumber, Segmented, Space } from 'antd';
import { useRef, useState } from 'react';
import { answer, api, bytesOf, type Schemas } from '../../api/client';
import { Problem } from '../../api/problems';
import { unitSymbol, type LengthUnit } from '../../shared/format';
import { LengthInput } from '../../shared/LengthInput';
import { keep, type Kept } from '../kept';
import { ProfileSelect } from '../profiles';
import '../../shared/field.css';

type Rule = Schemas['ProductRuleDocument'];

const kinds: Rule['files'] = ['JPEG', 'TIFF', 'PNG', 'PDF', 'WEBP'];

const nothing = { value: 0, unit: 'MM' as const };

/** A product of common size to begin with. */
const FIRST: Rule = {
  kind: 'product',
  schemaVersion: 1,
  unit: 'CM',
  width: { value: 20, unit: 'CM' },
  height: { value: 30, unit: 'CM' },
  bleed: nothing,
  safe: nothing,
  ppi: 300,
  leastPpi: 150,
  colour: null,
  files: ['JPEG'],
  mostBytes: null,
  overlay: null,
};

const MEGABYTE = 1_000_000;

/** A product rule that is made, or changed. */
export function ProductForm({ kept, onClose }: { kept?: Kept | undefined; onClose: () => void }) {
  const [name, setName] = useState(kept?.name ?? '');
  const [rule, setRule] = useState<Rule>(kept?.document.kind === 'product' ? kept.document : FIRST);
  const change = (part: Partial<Rule>) => setRule((before) => ({ ...before, ...part }));
  const queries = useQueryClient();
  const save = useMutation({
    mutationFn: async (): Promise<void> => {
      const document = rule;
      if (!kept) {
        await keep(queries, name, document);
        return;
      }
      await answer(
        api.PUT('/api/v1/kept/{id}', {
          params: { path: { id: kept.id }, header: { 'If-Match': `"${kept.version}"` } },
          body: { name, document },
        }),
      );
      await queries.invalidateQueries({ queryKey: ['kept'] });
    },
    onSuccess: onClose,
  });
  const problems = save.isError ? Problem.from(save.error).problems : [];
  return (
    <Drawer open destroyOnHidden size={440} title={kept ? kept.name : 'Add a product'} onClose={onClose}>
      <Space orientation="vertical" style={{ width: '100%' }} size={12}>
        <label className="field">
          <span>name of the product</span>
          <Input value={name} maxLength={120} onChange={({ target }) => setName(target.value)} />
        </label>
        <Segmented<LengthUnit>
          aria-label="Unit"
          options={(['CM', 'MM', 'IN'] as const).map((value) => ({ value, label: unitSymbol[value] }))}
          value={rule.unit}
          onChange={(unit) => change({ unit })}
        />
        <div className="field-row">
          <LengthInput label="printed area, one side" value={rule.width} onChange={(width) => change({ width })} />
          <LengthInput label="the other" value={rule.height} onChange={(height) => change({ height })} />
        </div>
        <div className="field-row">
          <LengthInput label="bleed" value={rule.bleed} onChange={(bleed) => change({ bleed })} />
          <LengthInput label="safe distance" value={rule.safe} onChange={(safe) => change({ safe })} />
        </div>
        <div className="field-row">
          <label className="field">
            <span>ppi of the files</span>
            <InputNumber min={1} value={rule.ppi} onChange={(ppi) => ppi !== null && change({ ppi })} />
          </label>
          <label className="field">
            <span>least real ppi</span>
            <InputNumber min={1} value={rule.leastPpi} onChange={(leastPpi) => leastPpi !== null && change({ leastPpi })} />
          </label>
        </div>
        <Checkbox.Group
          aria-label="Files that are taken"
          options={kinds.map((value) => ({ value, label: value }))}
          value={rule.files}
          onChange={(files) => change({ files })}
        />
        <label className="field">
          <span>largest file in MB; empty for any</span>
          <InputNumber
            min={0.01}
            value={rule.mostBytes ? rule.mostBytes / MEGABYTE : null}
            onChange={(most) => change({ mostBytes: most === null ? null : Math.round(most * MEGABYTE) })}
          />
        </label>
        <Checkbox
          checked={rule.colour !== null && rule.colour !== undefined}
          onChange={({ target }) => change({ colour: target.checked ? { digest: SRGB, model: 'RGB' } : null })}
        >
          files are to be in one profile
        </Checkbox>
        {rule.colour && (
          <ProfileSelect
            label="Profile"
            value={rule.colour.digest}
            holds={({ use }) => use === 'SOURCE_AND_TARGET'}
            onChange={({ digest, model }) => change({ colour: { digest, model } })}
          />
        )}
        <OverlayField value={rule.overlay ?? null} onChange={(overlay) => change({ overlay })} />
        {problems.map(({ text, remedy }) => (
          <p key={text} className="field-problem" role="alert">
            ■ {text} {remedy}
          </p>
        ))}
        <Button
          type="primary"
          disabled={!name.trim() || rule.files.length === 0}
          loading={save.isPending}
          onClick={() => save.mutate()}
        >
          Save
        </Button>
      </Space>
    </Drawer>
  );
}

/** A picture laid over the product on the bench. */
function OverlayField({ value, onChange }: { value: NonNullable<Rule['overlay']> | null; onChange: (overlay: NonNullable<Rule['overlay']> | null) => void }) {
  const file = useRef<HTMLInputElement>(null);
  const send = useMutation({ mutationFn: (png: File) => answer(api.POST('/api/v1/marks', bytesOf(png))), onSuccess: onChange });
  const problem = send.isError ? Problem.from(send.error) : undefined;
  return (
    <div className="field">
      <span>over it on the bench, never printed: a PNG as large as the area with its bleed</span>
      <Space>
        <Button loading={send.isPending} onClick={() => file.current?.click()}>
          {value ? 'Another PNG' : 'Add a PNG'}
        </Button>
        {value && <Button onClick={() => onChange(null)}>Take it off</Button>}
        {value && (
          <span className="quiet">
            {value.width} × {value.height} px
          </span>
        )}
      </Space>
      <input
        ref={file}
        type="file"
        hidden
        accept="image/png"
        aria-label="PNG over the product"
        onChange={({ target }) => {
          if (target.files?.[0]) send.mutate(target.files[0]);
          target.value = '';
        }}
      />
      {problem && (
        <span className="field-problem" role="alert">
          ■ {problem.message} {problem.remedy}
        </span>
      )}
    </div>
  );
}

/** The sRGB profile that ships, by its digest. */
const SRGB = '22a6e869f6f14fb9adf56493eaab308a741ebd3e13b95f687736c565d79504af';
