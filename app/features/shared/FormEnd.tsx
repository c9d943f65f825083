import { refusalOf } from '../../state/refusal';
import { Act } from '../../ui/Act';
import { Row } from '../../ui/Panel';
import { Words } from '../../ui/Words';

type Props = {
  /** What keeping it is called, and what it is called while it is kept. */
  label: string;
  busy: boolean;
  /** Something that must be there is missing. */
  incomplete: boolean;
  error: object | undefined;
  onCancel: () => void;
  onSave: () => void;
};

/** The end of a small form: why it was refused, and the two ways out of it. */
export function FormEnd({ label, busy, incomplete, error, onCancel, onSave }: Props) {
  return (
    <>
      {error && (
        <Words color="stop" role="alert">
          {refusalOf(error).message}
        </Words>
      )}
      <Row>
        <Act label="Cancel" style={{ flex: 1 }} onPress={onCancel} />
        <Act
          weight="primary"
          label={busy ? 'Saving …' : label}
          style={{ flex: 1 }}
          disabled={busy || incomplete}
          onPress={onSave}
        />
      </Row>
    </>
  );
}
