import type { Marked } from '@longbar/core';
import { Act } from '../../ui/Act';
import { Stack } from '../../ui/Panel';
import { Words } from '../../ui/Words';

/** How a round went, every mistake with why, and the way to the next. */
export function Mark({ marked, onNext }: { marked: Marked; onNext: () => void }) {
  return (
    <Stack>
      <Words as="title" role="status">
        {marked.score} of 100
      </Words>
      {marked.mistakes.length === 0 && <Words as="strong">Nothing was mistaken.</Words>}
      {marked.mistakes.map(({ says }) => (
        <Words key={says} as="strong" color="stop">
          {says}
        </Words>
      ))}
      <Act weight="primary" label="Another round" onPress={onNext} />
    </Stack>
  );
}
