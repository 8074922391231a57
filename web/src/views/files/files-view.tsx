import { useQuery } from '@tanstack/react-query';
import { useMemo, useState } from 'react';
import { Link } from 'react-router';
import type { Schemas } from '../../api/client';
import { filesQuery } from '../../api/queries';
import { useStudent } from '../../frame/student';
import { useNow } from '../../lib/now';
import { near } from '../../lib/time';
import { bytes, count } from '../../lib/words';
import { CourseMark } from '../../ui/course-mark';
import { Empty, Failed, Loading, NotShown } from '../../ui/states';

type File = Schemas['FileView'];

/** Every file that was handed in or lies ready, by course and work. */
function FilesView() {
  const { id, sees, board } = useStudent();
  const files = useQuery({ ...filesQuery(id), enabled: sees.words });
  if (!sees.words) return <NotShown name={board.student.name} what="words and files" />;
  if (files.isError) return <Failed error={files.error} onRetry={() => void files.refetch()} />;
  if (!files.data) return <Loading />;
  return <Shelf files={files.data} />;
}

function Shelf({ files }: { files: readonly File[] }) {
  const { board } = useStudent();
  const [text, setText] = useState('');
  const titles = useMemo(() => new Map(board.works.map((work) => [work.id, work])), [board]);
  const words = text.toLowerCase().split(/\s+/).filter(Boolean);
  const found = files.filter((file) => {
    const work = titles.get(file.work);
    const where = `${file.name} ${work?.title ?? ''}`.toLowerCase();
    return work !== undefined && words.every((word) => where.includes(word));
  });
  const size = found.reduce((sum, file) => sum + file.size, 0);
  return (
    <div className="min-h-0 flex-1 overflow-auto">
      <div className="mx-auto w-full max-w-[980px] px-5 py-4 max-sm:px-3">
        <header className="mb-3 flex flex-wrap items-center gap-x-4 gap-y-2">
          <h1 className="font-bold text-[20px] tracking-[-0.01em]">My files</h1>
          <p aria-live="polite" className="text-[14px] text-ink-2">
            {found.length} of {count(files.length, 'file')}, {bytes(size)}
          </p>
          <input
            type="search"
            aria-label="Find a file"
            placeholder="Find a file"
            value={text}
            onChange={(event) => setText(event.target.value)}
            className="ml-auto h-8 w-[210px] rounded border border-line bg-paper px-2.5 text-[14px] placeholder:text-ink-3 max-sm:ml-0 max-sm:w-full"
          />
        </header>
        {found.length === 0 && (
          <Empty title={files.length === 0 ? 'No file has been handed in yet' : 'No file is called that'}>
            {files.length === 0 && 'What you hand in, and what lies ready in a draft, is kept here for good.'}
          </Empty>
        )}
        {board.courses.map((course) => (
          <CourseFiles
            key={course.id}
            course={course}
            files={found.filter((file) => titles.get(file.work)?.courseId === course.id)}
          />
        ))}
      </div>
    </div>
  );
}

interface CourseFilesProps {
  course: Schemas['CourseView'];
  files: readonly File[];
}

function CourseFiles({ course, files }: CourseFilesProps) {
  const { board } = useStudent();
  if (files.length === 0) return null;
  const works = [...new Set(files.map((file) => file.work))];
  return (
    <section className="mb-6">
      <h2 className="flex items-center gap-2 border-line border-b pb-1 font-bold">
        <CourseMark colour={course.colour} />
        {course.name}
        <span className="font-normal text-ink-2">{files.length}</span>
      </h2>
      {works.map((work) => (
        <WorkFiles
          key={work}
          title={board.works.find((one) => one.id === work)?.title ?? ''}
          files={files.filter((file) => file.work === work)}
        />
      ))}
    </section>
  );
}

function WorkFiles({ title, files }: { title: string; files: readonly File[] }) {
  const { id } = useStudent();
  const work = files[0]?.work;
  return (
    <div className="grid grid-cols-[minmax(0,2fr)_minmax(0,3fr)] gap-x-6 border-line-2 border-b py-2 max-sm:grid-cols-1">
      <Link to={`/s/${id}/work/${work}`} className="min-w-0 hover:underline">
        {title}
      </Link>
      <ul>
        {files.map((file) => (
          <FileLine key={`${file.handIn} ${file.position}`} file={file} />
        ))}
      </ul>
    </div>
  );
}

function FileLine({ file }: { file: File }) {
  const { id, zone } = useStudent();
  const now = useNow();
  const within = file.handIn === null ? 'draft' : `hand-ins/${file.handIn}`;
  const base = `/api/students/${id}/works/${file.work}/${within}/files/${file.position}`;
  return (
    <li className="flex flex-wrap items-baseline gap-x-3 py-0.5">
      <a
        href={base}
        download={file.name}
        className="min-w-0 break-words font-semibold underline underline-offset-2"
      >
        {file.name}
      </a>
      <span className="whitespace-nowrap text-[14px] text-ink-2">{bytes(file.size)}</span>
      {file.handIn === null ? (
        <span className="font-semibold text-[14px] text-yours">draft, not handed in</span>
      ) : (
        <span className="text-[14px] text-ink-2">
          <Link
            to={`/s/${id}/work/${file.work}?receipt=${file.handIn}`}
            className="underline underline-offset-2"
          >
            receipt
          </Link>
        </span>
      )}
      {file.marks > 0 && (
        <Link
          to={`/s/${id}/work/${file.work}?marks=${file.handIn}.${file.position}`}
          className="text-[14px] text-loss underline underline-offset-2"
        >
          {count(file.marks, 'mark')}
        </Link>
      )}
      <span className="ml-auto whitespace-nowrap text-[14px] text-ink-2">{near(file.at, zone, now)}</span>
    </li>
  );
}

export { FilesView };
