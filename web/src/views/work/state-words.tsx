import clsx from 'clsx';
import type { Work } from '../../api/client';
import { stageDetail, stageWord } from '../../lib/words';
import { StageGlyph } from '../../ui/stage-glyph';

/** Said by the dot before it where there is little room. */
const FLAGGED = 'flagged ';

/** The state as a glyph and in words; what stands behind the stage is said after a dot. */
function StateWords({ work }: { work: Work }) {
  const detail = stageDetail(work);
  const flagged = detail.startsWith(FLAGGED);
  return (
    <span className="flex min-w-0 items-center gap-2">
      <StageGlyph stage={work.stage} redo={work.stage === 'RETURNED' && work.move === 'YOURS'} />
      <span className="min-w-0 truncate font-semibold">{stageWord(work)}</span>
      {detail && (
        // What decides stands behind the stage: where it is narrow the stage is cut, never this.
        <span className={clsx('-ml-1 shrink-0', work.missing ? 'font-semibold text-loss' : 'text-ink-2')}>
          {' '}
          · {flagged && <span className="group-data-[tight=true]/work:sr-only">{FLAGGED}</span>}
          {flagged ? detail.slice(FLAGGED.length) : detail}
        </span>
      )}
    </span>
  );
}

export { StateWords };
