import type { Work } from '../../api/client';
import { STAGE_WORDS, stageDetail } from '../../lib/words';
import { StageGlyph } from '../../ui/stage-glyph';

/** The state as a glyph and in words; what stands behind the stage is said after a dot. */
function StateWords({ work }: { work: Work }) {
  const detail = stageDetail(work);
  return (
    <span className="flex min-w-0 items-center gap-2">
      <StageGlyph stage={work.stage} redo={work.stage === 'RETURNED' && work.move === 'YOURS'} />
      <span className="truncate">
        <span className="font-semibold">{STAGE_WORDS[work.stage]}</span>
        {detail && (
          <span className={work.missing ? 'font-semibold text-loss' : 'text-ink-2'}> · {detail}</span>
        )}
      </span>
    </span>
  );
}

export { StateWords };
