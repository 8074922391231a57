/** The modules that compute without a page, as one script: tests load it into a browser and put cases to it. */
export * as news from '../frame/news/model';
export * as budget from '../lib/budget';
export * as lines from '../lib/lines';
export * as narrowing from '../lib/narrow';
export * as readings from '../lib/readings';
export * as search from '../lib/search';
export * as time from '../lib/time';
export * as place from '../lib/timeline-place';
export * as words from '../lib/words';
export * as leeway from '../views/leeway/model';
export * as next from '../views/next/model';
export * as piece from '../views/piece/model';
export * as course from '../views/standing/course/model';
export * as standing from '../views/standing/model';
export * as agenda from '../views/timeline/agenda-model';
export * as timeline from '../views/timeline/model';
export * as work from '../views/work/model';
