import type { ForeignMarkup } from '../../core/structured-data/index.ts';
import { Segments } from '../ui/index.ts';

/** What becomes of the structured data that pages came with. */
export function ForeignChoice({
  label,
  value,
  onChange,
}: {
  readonly label: string;
  readonly value: ForeignMarkup;
  readonly onChange: (choice: ForeignMarkup) => void;
}) {
  return (
    <Segments<ForeignMarkup>
      label={label}
      value={value}
      onChange={onChange}
      options={[
        { value: 'leave', label: 'Leave it' },
        { value: 'take', label: 'Take over' },
        { value: 'remove', label: 'Take out' },
      ]}
    />
  );
}
