import { moment } from '../lib/time';
import { useStudent } from './student';

/** What stands on top of every printed page's first sheet: whose it is, of which school and term, and of when. */
function PaperHead() {
  const { board, zone, asof } = useStudent();
  const of = board.term && [board.term.school, board.term.name].filter(Boolean).join(', ');
  return (
    <p className="hidden border-black border-b pb-1 text-[12px] print:mb-2 print:block">
      <b>{board.student.name}</b>
      {of && ` · ${of}`} · {asof ? 'as it was ' : ''}
      {moment(board.now, zone)}
    </p>
  );
}

export { PaperHead };
