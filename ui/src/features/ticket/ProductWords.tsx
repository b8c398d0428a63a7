import { Button, Space } from 'antd';
import type { Schemas } from '../../api/client';
import { bytes } from '../../shared/format';
import { useProfileTitle } from '../profiles';

/** What a product asks, a line each. */
export function useProductLines(rule: Schemas['ProductRuleDocument']): string[] {
  const title = useProfileTitle(rule.colour?.digest);
  const length = ({ value, unit }: Schemas['LengthDocument']) => `${value} ${unit.toLowerCase()}`;
  return [
    `${rule.width.value} × ${length(rule.height)}${rule.bleed.value > 0 ? `, ${length(rule.bleed)} bleed` : ''}`,
    `files of ${rule.ppi} ppi, from pictures of ${rule.leastPpi} ppi or more`,
    ...(rule.safe.value > 0 ? [`keep ${length(rule.safe)} clear inside the edge`] : []),
    `as ${rule.files.join(' or ')}${rule.mostBytes ? `, at most ${bytes(rule.mostBytes)}` : ''}`,
    rule.colour ? `in ${title}` : 'in any colours',
  ];
}

/** The rule that a ticket is held to. */
export function ProductWords({ product, onRemove }: { product: Schemas['TicketProduct']; onRemove: () => void }) {
  const lines = useProductLines(product.rule);
  return (
    <Space orientation="vertical">
      <strong>{product.name} asks for:</strong>
      <ul>
        {lines.map((line) => (
          <li key={line}>{line}</li>
        ))}
      </ul>
      <p className="quiet">A ticket that breaks this rule, or a picture with too few pixels, is rejected before the run.</p>
      <Button onClick={onRemove}>Take the product off this ticket</Button>
    </Space>
  );
}
