import { useMutation, useQueryClient } from '@tanstack/react-query';
import { App, Button, InputNumber } from 'antd';
import { useState } from 'react';
import { useNavigate } from 'react-router';
import { answer, api, type Schemas } from '../../api/client';
import { Problem } from '../../api/problems';
import { FormPopover } from '../../shared/FormPopover';
import { convert, lengthText, unitSymbol, type LengthUnit } from '../../shared/format';
import '../../shared/field.css';

interface Props {
  piece: Schemas['DeliveredPiece'];
  unit: LengthUnit;
}

/** By how much larger a piece is offered to begin with. */
const FIRST = 1.5;

/** A delivered piece once more, on a larger sheet of its shape: by the ticket it was made by, for this picture alone. */
export function Larger({ piece, unit }: Props) {
  const now = convert(Math.max(piece.width, piece.height) / piece.ppi, 'IN', unit);
  const [isOpen, setOpen] = useState(false);
  const [value, setValue] = useState<number | null>(Math.round(now * FIRST));
  const queries = useQueryClient();
  const navigate = useNavigate();
  const { message } = App.useApp();
  const make = useMutation({
    mutationFn: () =>
      answer(api.POST('/api/v1/pieces/{id}/larger', { params: { path: { id: piece.pieceId } }, body: { longSide: { value: value ?? 0, unit } } })),
    onSuccess: ({ jobId, runId }) => {
      void queries.invalidateQueries({ queryKey: ['runs', jobId] });
      void queries.invalidateQueries({ queryKey: ['tickets', jobId] });
      void navigate(`/jobs/${jobId}/run/${runId}`);
    },
    onError: (error) => {
      const { message: text, remedy } = Problem.from(error);
      void message.error(`${text} ${remedy}`, 8);
    },
  });
  return (
    <FormPopover
      open={isOpen}
      onOpenChange={setOpen}
      placement="left"
      title="Make it again, larger"
      content={
        <form
          className="larger"
          onSubmit={(event) => {
            event.preventDefault();
            make.mutate();
          }}
        >
          <p className="quiet">
            Its longer side was {lengthText(now, unit)} {unitSymbol[unit]}. Its shape, framing and ticket stay as they were when it was made.
          </p>
          <label className="field">
            <span>longer side</span>
            <InputNumber
              aria-label="Longer side"
              value={value}
              min={0}
              suffix={unitSymbol[unit]}
              onChange={setValue}
            />
          </label>
          <Button type="primary" htmlType="submit" disabled={value === null || value <= now} loading={make.isPending}>
            Make it
          </Button>
        </form>
      }
    >
      <Button size="small" type="text" aria-label={`Make ${piece.name} again, larger`} aria-expanded={isOpen}>
        Larger
      </Button>
    </FormPopover>
  );
}
