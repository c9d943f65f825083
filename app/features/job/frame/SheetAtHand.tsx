import { PrintPage } from '../../../ui/PrintPage';
import { Words } from '../../../ui/Words';
import { AssumedLobes } from '../../shared/AssumedLobes';
import { SheetPhotos } from '../../shared/SheetPhotos';
import { SheetFacts } from '../../sheets/SheetFacts';
import { useJob } from '../model/useJob';

/** The sheet that the job began with, by the figures of its tag: kept on the phone with the job. */
export function SheetAtHand({ id }: { id: string }) {
  const { job, problem } = useJob(id);
  return (
    <PrintPage back="Back to the job" backTo={`/jobs/${id}`}>
      {!job && <Words>{problem ?? 'Opening the job …'}</Words>}
      {job && (
        <>
          <Words as="title">{job.setting.sheet.name}</Words>
          <Words color="secondInk">
            Revision {job.setting.head.sheetRevision} of its sheet, as this job began with
            {job.state.tag ? `, by the figures of data tag ${job.state.tag}` : ''}.
          </Words>
          <SheetFacts sheet={job.setting.sheet} />
          <SheetPhotos sheet={job.setting.sheet} />
          <AssumedLobes sheet={job.setting.sheet} />
        </>
      )}
    </PrintPage>
  );
}
