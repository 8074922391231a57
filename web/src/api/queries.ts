import { QueryClient, queryOptions } from '@tanstack/react-query';
import { client, Refused, type Schemas, take } from './client';

export const queryClient = new QueryClient({
  defaultOptions: {
    queries: {
      retry: (failures, error) =>
        failures < 2 && !(error instanceof Refused && error.status >= 400 && error.status < 500),
      staleTime: 30_000,
    },
  },
});

export const sessionQuery = queryOptions({
  queryKey: ['session'],
  queryFn: () => take(client.GET('/api/session')),
  staleTime: Number.POSITIVE_INFINITY,
});

/** What an invitation is to, for who has its link. */
export const invitationQuery = (secret: string) =>
  queryOptions({
    queryKey: ['invitation', secret],
    queryFn: () => take(client.GET('/api/invitations/{secret}', { params: { path: { secret } } })),
    retry: false,
  });

/** Who may see a student's work, and who is invited to. */
export const guardiansQuery = (student: number) =>
  queryOptions({
    queryKey: ['guardians', student],
    queryFn: () => take(client.GET('/api/students/{student}/guardians', { params: { path: { student } } })),
    staleTime: 0,
  });

/** Children whose accounts one keeps. */
export const childrenQuery = queryOptions({
  queryKey: ['children'],
  queryFn: () => take(client.GET('/api/people/me/children')),
  staleTime: 0,
});

/** Whose work one asked to see, without an answer so far. */
export const requestsQuery = queryOptions({
  queryKey: ['requests'],
  queryFn: () => take(client.GET('/api/people/me/requests')),
  staleTime: 0,
});

/** Whose account a link hands over. */
export const handOverQuery = (secret: string) =>
  queryOptions({
    queryKey: ['hand-over', secret],
    queryFn: () => take(client.GET('/api/hand-overs/{secret}', { params: { path: { secret } } })),
    retry: false,
  });

/** People of their own who are invited by who administers this Navlo. */
export const invitationsQuery = queryOptions({
  queryKey: ['invitations'],
  queryFn: () => take(client.GET('/api/administration/invitations')),
  staleTime: 0,
});

/** This Navlo for who administers it; of its people those who are sought. */
export const administrationQuery = (sought: string) =>
  queryOptions({
    queryKey: ['administration', sought],
    queryFn: () => take(client.GET('/api/administration', { params: { query: { q: sought } } })),
    staleTime: 0,
  });

/** The students whose work one sees, with figures of a grading period or of a whole term. */
export const householdQuery = (span: Schemas['Spanning']) =>
  queryOptions({
    queryKey: ['household', span],
    queryFn: () => take(client.GET('/api/household', { params: { query: { span } } })),
    staleTime: 0,
    refetchInterval: 60_000,
  });

/** Which words come by mail. */
export const noticesQuery = queryOptions({
  queryKey: ['notices'],
  queryFn: () => take(client.GET('/api/people/me/notices')),
});

/** Where one is signed in. */
export const placesQuery = queryOptions({
  queryKey: ['sessions'],
  queryFn: () => take(client.GET('/api/people/me/sessions')),
  staleTime: 0,
});

/** What is to be told now of what one chose. */
export const wordsQuery = queryOptions({
  queryKey: ['words'],
  queryFn: () => take(client.GET('/api/people/me/words')),
  staleTime: 0,
});

/** The devices with which one signs in. */
export const passkeysQuery = queryOptions({
  queryKey: ['passkeys'],
  queryFn: () => take(client.GET('/api/people/me/passkeys')),
  staleTime: 0,
});

/** Access for one's own scripts. */
export const tokensQuery = queryOptions({
  queryKey: ['tokens'],
  queryFn: () => take(client.GET('/api/people/me/tokens')),
  staleTime: 0,
});

/** @param asof a day that is past, as it was known then; null for now */
export const boardQuery = (student: number, asof: string | null = null) =>
  queryOptions({
    queryKey: asof === null ? ['student', student, 'board'] : ['student', student, 'board', asof],
    queryFn: () =>
      take(
        client.GET('/api/students/{student}/board', {
          params: { path: { student }, query: asof === null ? {} : { asof } },
        }),
      ),
  });

/** What is new to whoever reads. */
export const newsQuery = (student: number) =>
  queryOptions({
    queryKey: ['student', student, 'news'],
    queryFn: () => take(client.GET('/api/news/{student}', { params: { path: { student } } })),
  });

/** What came back since a day, and what was agreed. @param since a local date */
export const meetingQuery = (student: number, since: string) =>
  queryOptions({
    queryKey: ['student', student, 'meeting', since],
    queryFn: () =>
      take(
        client.GET('/api/students/{student}/meeting', {
          params: { path: { student }, query: { since } },
        }),
      ),
  });

/** What was written that holds words which begin so. */
export const searchQuery = (student: number, text: string) =>
  queryOptions({
    queryKey: ['student', student, 'search', text],
    queryFn: ({ signal }) =>
      take(
        client.GET('/api/students/{student}/search', {
          params: { path: { student }, query: { text } },
          signal,
        }),
      ),
    enabled: text.trim().length > 2,
  });

/** What courses and schools say to all. */
export const announcementsQuery = (student: number) =>
  queryOptions({
    queryKey: ['student', student, 'announcements'],
    queryFn: () =>
      take(client.GET('/api/students/{student}/announcements', { params: { path: { student } } })),
  });

export const detailQuery = (student: number, work: number) =>
  queryOptions({
    queryKey: ['student', student, 'work', work],
    queryFn: () =>
      take(client.GET('/api/students/{student}/works/{work}', { params: { path: { student, work } } })),
  });

export const changesQuery = (student: number) =>
  queryOptions({
    queryKey: ['student', student, 'changes'],
    queryFn: () => take(client.GET('/api/students/{student}/changes', { params: { path: { student } } })),
  });

/** @param minutes that today has from now on; null for the free hours as they are */
export const nextQuery = (student: number, minutes: number | null) =>
  queryOptions({
    queryKey: ['student', student, 'next', minutes],
    queryFn: ({ signal }) =>
      take(
        client.GET('/api/students/{student}/next', {
          params: { path: { student }, query: minutes === null ? {} : { minutes } },
          signal,
        }),
      ),
  });

/** What it would cost to do one move before another that comes first by the plan. */
export const swapQuery = (student: number, work: number, before: number) =>
  queryOptions({
    queryKey: ['student', student, 'next', 'swap', work, before],
    queryFn: () =>
      take(
        client.GET('/api/students/{student}/next/swaps', {
          params: { path: { student }, query: { work, before } },
        }),
      ),
  });

/** What so many minutes less today would cost. */
export const shorterQuery = (student: number, minutes: number) =>
  queryOptions({
    queryKey: ['student', student, 'next', 'shorter', minutes],
    queryFn: () =>
      take(
        client.GET('/api/students/{student}/next/shorter-days', {
          params: { path: { student }, query: { minutes } },
        }),
      ),
  });

export const timelineQuery = (student: number) =>
  queryOptions({
    queryKey: ['student', student, 'timeline'],
    queryFn: ({ signal }) =>
      take(client.GET('/api/students/{student}/timeline', { params: { path: { student } }, signal })),
  });

export const hoursQuery = (student: number) =>
  queryOptions({
    queryKey: ['student', student, 'hours'],
    queryFn: () => take(client.GET('/api/students/{student}/hours', { params: { path: { student } } })),
  });

export const effortsQuery = (student: number) =>
  queryOptions({
    queryKey: ['student', student, 'efforts'],
    queryFn: () => take(client.GET('/api/students/{student}/efforts', { params: { path: { student } } })),
  });

export const termsQuery = (student: number) =>
  queryOptions({
    queryKey: ['student', student, 'terms'],
    queryFn: () => take(client.GET('/api/students/{student}/terms', { params: { path: { student } } })),
  });

/** What was closed and is kept to look at. */
export const closedBoardQuery = (student: number) =>
  queryOptions({
    queryKey: ['student', student, 'closed'],
    queryFn: () =>
      take(client.GET('/api/students/{student}/board/closed', { params: { path: { student } } })),
  });

export const linksQuery = (student: number) =>
  queryOptions({
    queryKey: ['student', student, 'links'],
    queryFn: () => take(client.GET('/api/students/{student}/links', { params: { path: { student } } })),
  });

export const linkImportsQuery = (student: number, link: number) =>
  queryOptions({
    queryKey: ['student', student, 'links', link],
    queryFn: () =>
      take(
        client.GET('/api/students/{student}/links/{link}/imports', { params: { path: { student, link } } }),
      ),
  });

export const recordsQuery = (student: number) =>
  queryOptions({
    queryKey: ['student', student, 'records'],
    queryFn: () => take(client.GET('/api/students/{student}/records', { params: { path: { student } } })),
  });

export const calendarFeedQuery = (student: number) =>
  queryOptions({
    queryKey: ['student', student, 'calendar-feed'],
    queryFn: () =>
      take(client.GET('/api/students/{student}/calendar-feed', { params: { path: { student } } })),
  });

export const feedbackQuery = (student: number) =>
  queryOptions({
    queryKey: ['student', student, 'feedback'],
    queryFn: () => take(client.GET('/api/students/{student}/feedback', { params: { path: { student } } })),
  });

export const filesQuery = (student: number) =>
  queryOptions({
    queryKey: ['student', student, 'files'],
    queryFn: () => take(client.GET('/api/students/{student}/files', { params: { path: { student } } })),
  });

export const messagesQuery = (student: number) =>
  queryOptions({
    queryKey: ['student', student, 'messages'],
    queryFn: () => take(client.GET('/api/students/{student}/messages', { params: { path: { student } } })),
  });

/** What a letter to a teacher is about. */
export type LetterTopic = { work: number } | { course: number };

export const messageDraftsQuery = (student: number, topic: LetterTopic) =>
  queryOptions({
    queryKey: ['student', student, 'message', topic],
    queryFn: () =>
      'work' in topic
        ? take(
            client.GET('/api/students/{student}/works/{work}/message', {
              params: { path: { student, work: topic.work } },
            }),
          )
        : take(
            client.GET('/api/students/{student}/courses/{course}/message', {
              params: { path: { student, course: topic.course } },
            }),
          ),
    staleTime: 0,
  });

export const notesQuery = (student: number) =>
  queryOptions({
    queryKey: ['student', student, 'notes'],
    queryFn: () => take(client.GET('/api/students/{student}/notes', { params: { path: { student } } })),
  });

export const lensesQuery = (student: number) =>
  queryOptions({
    queryKey: ['student', student, 'lenses'],
    queryFn: () => take(client.GET('/api/students/{student}/lenses', { params: { path: { student } } })),
  });

export const rulesQuery = (student: number, course: number) =>
  queryOptions({
    queryKey: ['student', student, 'rules', course],
    queryFn: () =>
      take(
        client.GET('/api/students/{student}/courses/{course}/rules', {
          params: { path: { student, course } },
        }),
      ),
  });

/**
 * @param whatIf as text, so that the same question is asked once; empty for the course as it is
 * @param asof a day that is past; null for now
 */
export const gradeQuery = (student: number, course: number, whatIf = '', asof: string | null = null) =>
  queryOptions({
    queryKey: ['student', student, 'grade', course, whatIf, asof],
    queryFn: ({ signal }) => {
      const path = { student, course };
      return take(
        whatIf === ''
          ? client.GET('/api/students/{student}/courses/{course}/grade', {
              params: { path, query: asof === null ? {} : { asof } },
              signal,
            })
          : client.POST('/api/students/{student}/courses/{course}/grade/what-if', {
              params: { path },
              body: JSON.parse(whatIf) as Schemas['WhatIfForm'],
              signal,
            }),
      );
    },
  });

export const trendQuery = (student: number, course: number) =>
  queryOptions({
    queryKey: ['student', student, 'trend', course],
    queryFn: () =>
      take(
        client.GET('/api/students/{student}/courses/{course}/grade/trend', {
          params: { path: { student, course } },
        }),
      ),
  });

export const scenariosQuery = (student: number, course: number) =>
  queryOptions({
    queryKey: ['student', student, 'scenarios', course],
    queryFn: () =>
      take(
        client.GET('/api/students/{student}/courses/{course}/grade/scenarios', {
          params: { path: { student, course } },
        }),
      ),
  });

/** @param target that the mean is to reach; null for none */
export const meanQuery = (student: number, target: string | null) =>
  queryOptions({
    queryKey: ['student', student, 'mean', target],
    queryFn: ({ signal }) =>
      take(
        client.GET('/api/students/{student}/mean', {
          params: { path: { student }, query: target === null ? {} : { target } },
          signal,
        }),
      ),
  });

export const paceQuery = (student: number) =>
  queryOptions({
    queryKey: ['student', student, 'pace'],
    queryFn: () => take(client.GET('/api/students/{student}/pace', { params: { path: { student } } })),
  });

export const leewayQuery = (student: number) =>
  queryOptions({
    queryKey: ['student', student, 'leeway'],
    queryFn: () => take(client.GET('/api/students/{student}/leeway', { params: { path: { student } } })),
  });

/** Everything of a student is asked for again; what is on screen stays until the answer is there. */
export function refreshStudent(student: number): Promise<void> {
  return queryClient.invalidateQueries({ queryKey: ['student', student] });
}

/** What handing in would come to at this minute. @param minute so that it is asked anew as time goes on */
export const ifHandedInQuery = (student: number, work: number, minute: number) =>
  queryOptions({
    queryKey: ['student', student, 'work', work, 'if handed in', minute],
    queryFn: () =>
      take(
        client.GET('/api/students/{student}/works/{work}/hand-in', {
          params: { path: { student, work } },
        }),
      ),
    placeholderData: (before) => before,
  });
