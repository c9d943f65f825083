import { Words } from '../../../ui/Words';
import { Attachments } from '../../shared/Attachments';
import { useKeepFile } from '../../shared/useKeepFile';
import { takeOut } from '../entries';
import type { QuestionProps } from '../questionProps';
import { mistakeAt } from '../questionProps';
import { TypedField } from '../TypedField';
import { ListQuestion } from './ListQuestion';

/** What is looked at beside the engine: the manual's page, the marks on the damper. */
export function PhotosQuestion({ draft }: Pick<QuestionProps, 'draft'>) {
  const { sheet, edit } = draft;
  const { pick, problem } = useKeepFile(({ sha256, type }) =>
    edit((next) => {
      const photos = (next.photos ??= []);
      if (!photos.some((photo) => photo.sha256 === sha256)) photos.push({ sha256, type, what: '' });
    }),
  );
  return (
    <ListQuestion
      title="Which photos help at the engine?"
      hint="The page of the manual, the marks on the damper. They are at hand in the job, without signal too."
      one="photo"
      entries={sheet.photos ?? []}
      onAdd={() => pick('image/*')}
      onRemove={(place) => edit((next) => takeOut(next, 'photos', place))}
      before={
        problem !== undefined && (
          <Words color="stop" role="alert">
            {problem}
          </Words>
        )
      }
    >
      {({ sha256, type, what }, place) => (
        <>
          <Attachments attached={[{ sha256, type }]} />
          <TypedField
            label={`What photo ${place + 1} shows`}
            value={what}
            error={mistakeAt(draft, `photos.${place}`)}
            onChange={(text) =>
              edit((next) => {
                const photo = next.photos?.[place];
                if (photo) photo.what = text;
              })
            }
          />
        </>
      )}
    </ListQuestion>
  );
}
