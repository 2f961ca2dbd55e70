/** What comes after a lab day: released results that stay as they were, files of instruments, and marks. */
export const afterTheDay = [
  `CREATE TABLE result_release (
    id char(26) NOT NULL,
    session char(26) NOT NULL,
    released_at datetime(3) NOT NULL,
    released_by char(26) NOT NULL,
    -- Which computation it came from.
    version varchar(40) NOT NULL,
    document longtext NOT NULL,
    digest varchar(64) NOT NULL,
    PRIMARY KEY (id),
    FOREIGN KEY (session) REFERENCES lab_session (id),
    FOREIGN KEY (released_by) REFERENCES user (id)
  )`,
  `CREATE TABLE instrument_file (
    id char(26) NOT NULL,
    session char(26) NOT NULL,
    -- Null until somebody has said whose it is.
    run char(26) DEFAULT NULL,
    name varchar(120) NOT NULL,
    slot varchar(40) NOT NULL,
    content longtext NOT NULL,
    digest varchar(64) NOT NULL,
    -- What was said of its peaks.
    reading longtext NOT NULL DEFAULT '{}',
    added_at datetime(3) NOT NULL,
    -- Null where a group added it.
    added_by char(26) DEFAULT NULL,
    turn int unsigned NOT NULL DEFAULT 0,
    kind varchar(20) DEFAULT NULL,
    title varchar(120) DEFAULT NULL,
    simulated boolean DEFAULT NULL,
    PRIMARY KEY (id),
    UNIQUE KEY instrument_file_session_digest (session,digest),
    FOREIGN KEY (session) REFERENCES lab_session (id),
    FOREIGN KEY (run) REFERENCES run (id),
    FOREIGN KEY (added_by) REFERENCES user (id)
  )`,
  `CREATE TABLE marking (
    session char(26) NOT NULL,
    document longtext NOT NULL,
    changed_at datetime(3) NOT NULL,
    changed_by char(26) NOT NULL,
    PRIMARY KEY (session),
    FOREIGN KEY (session) REFERENCES lab_session (id),
    FOREIGN KEY (changed_by) REFERENCES user (id)
  )`,
  `CREATE TABLE mark (
    run char(26) NOT NULL,
    document longtext NOT NULL,
    decided_at datetime(3) NOT NULL,
    decided_by char(26) NOT NULL,
    handed_back_at datetime(3) DEFAULT NULL,
    PRIMARY KEY (run),
    FOREIGN KEY (run) REFERENCES run (id),
    FOREIGN KEY (decided_by) REFERENCES user (id)
  )`,
]
