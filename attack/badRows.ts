/** One row in each table that its reader refuses, as a faulty program or a hand in the database could leave it. */
import { FUZZED } from './targets'

const id = (last: string): string => `'01990000-0000-7000-8000-0000000bad${last}'`
const { job, machine } = FUZZED

export const badRows: readonly (readonly [table: string, sql: string])[] = [
  ['machine', `INSERT INTO machine (id, station, name, units) VALUES ('bad-machine', '', '', 'metric')`],
  [
    'job',
    `INSERT INTO job (id, machine_id, title, reason, opened_on, opened_by, running_hours, must_run_hours, policy, installed)
     VALUES ('bad-job', 'bad-machine', '', '', '2026-01-01', 'demo-inspector', -1, 0, '{}', '[]')`,
  ],
  [
    'limit_book',
    `INSERT INTO limit_book (id, revision, title, document, stored_at) VALUES ('bad-book', '1', 'Bad', '{"format": 7}', now())`,
  ],
  [
    'job of a bad book',
    `INSERT INTO job (id, machine_id, book_id, book_revision, title, reason, opened_on, opened_by, running_hours, must_run_hours, policy, installed)
     VALUES ('bad-book-job', '${machine}', 'bad-book', '1', 'On a bad book', 'x', '2026-01-01', 'demo-inspector', 1, 0, '{}', '{}')`,
  ],
  [
    'reading',
    `INSERT INTO reading (id, job_id, characteristic, station, direction, repeat, stage, text, default_unit, kind, value, taken_by, taken_at, received_at)
     VALUES (${id('01')}, '${job}', 'journal', 'A', '1', 1000, 'asFound', '', 'mm', 'point', 1e30, 'demo-inspector', 'infinity', now())`,
  ],
  [
    'job_entry',
    `INSERT INTO job_entry (id, job_id, subject, body, noted_by, noted_at)
     VALUES (${id('02')}, '${job}', 'x', '{"kind": "nonsense"}', 'demo-inspector', now())`,
  ],
  [
    'step_confirmation',
    `INSERT INTO step_confirmation (id, job_id, step, note, confirmed_by, confirmed_at) VALUES (${id('03')}, '${job}', 'nonsense', '', 'demo-inspector', now())`,
  ],
  [
    'decision',
    `INSERT INTO decision (id, job_id, part, recommended, decided, decided_by, decided_at) VALUES (${id('04')}, '${job}', 'nowhere', 'wish', 'hope', 'demo-inspector', now())`,
  ],
  [
    'gauge',
    `ALTER TABLE gauge DISABLE TRIGGER USER; UPDATE gauge SET resolution = 10000000 WHERE id = 'om-12'; ALTER TABLE gauge ENABLE TRIGGER USER`,
  ],
  [
    'machine_hours',
    `INSERT INTO machine_hours (id, machine_id, hours, read_on, read_by, noted_at) VALUES (${id('05')}, '${machine}', -5, 'infinity', 'demo-inspector', now())`,
  ],
  [
    'picture',
    `INSERT INTO picture (id, job_id, type, width, height, bytes, small, sha256, added_by, added_at)
     VALUES (${id('06')}, '${job}', 'image/none', -1, 0, '', '', '', 'demo-inspector', 'infinity')`,
  ],
  [
    'report',
    `INSERT INTO report (id, job_id, machine_id, sequence, canonical, sha256, core_version, signed_by, signed_at)
     VALUES (${id('07')}, 'bad-job', 'bad-machine', -1, 'no json', '', '', 'demo-inspector', 'infinity')`,
  ],
  ['event_log', `INSERT INTO event_log (at, user_id, verb, subject, detail) VALUES (now(), 'nobody', '', '', '[]')`],
  ['user', `UPDATE "user" SET name = '' WHERE id = 'demo-planner'`],
  ['a person of no known role', `UPDATE "user" SET role = 'wizard' WHERE id = 'demo-trainee'`],
  [
    'session',
    `INSERT INTO session (id, token, user_id, expires_at, created_at, updated_at) VALUES ('bad', 'bad', 'demo-trainee', 'infinity', now(), now())`,
  ],
  [
    'account',
    `INSERT INTO account (id, account_id, provider_id, user_id, created_at, updated_at) VALUES ('bad', '', '', 'demo-trainee', now(), now())`,
  ],
  [
    'verification',
    `INSERT INTO verification (id, identifier, value, expires_at, created_at, updated_at) VALUES ('bad', '', '', '-infinity', now(), now())`,
  ],
  ['rate_limit', `INSERT INTO rate_limit (id, key, count, last_request) VALUES ('bad', '', -1, -1)`],
  [
    'review_event',
    `INSERT INTO review_event (id, job_id, kind, note, acted_by, acted_at) VALUES (${id('08')}, '${job}', 'pondered', '', 'demo-inspector', now())`,
  ],
]
