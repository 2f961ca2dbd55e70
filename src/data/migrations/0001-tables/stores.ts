/** Bottles, every change of what is in them, and what is written down while a session is made ready. */
export const stores = [
  `CREATE TABLE bottle (
    id char(26) NOT NULL,
    course char(26) NOT NULL,
    substance varchar(200) NOT NULL,
    formula varchar(120) DEFAULT NULL,
    form varchar(500) NOT NULL,
    left_value double NOT NULL,
    left_unit varchar(4) NOT NULL,
    place varchar(120) NOT NULL,
    changed_at datetime(3) NOT NULL,
    changed_by char(26) NOT NULL,
    left_decimals int NOT NULL DEFAULT 0,
    about varchar(500) NOT NULL DEFAULT '{}',
    PRIMARY KEY (id),
    FOREIGN KEY (course) REFERENCES course (id),
    FOREIGN KEY (changed_by) REFERENCES user (id)
  )`,
  `CREATE TABLE bottle_move (
    id char(26) NOT NULL,
    bottle char(26) NOT NULL,
    course char(26) NOT NULL,
    -- Kept when the bottle is taken off the shelf: what a year used stays known.
    what varchar(300) NOT NULL,
    kind varchar(20) NOT NULL,
    amount double NOT NULL,
    unit varchar(4) NOT NULL,
    at datetime(3) NOT NULL,
    person char(26) NOT NULL,
    session char(26) DEFAULT NULL,
    reason varchar(200) NOT NULL DEFAULT '',
    PRIMARY KEY (id),
    KEY bottle_move_course_at (course,at),
    KEY bottle_move_session (session)
  )`,
  `CREATE TABLE stores_record (
    id char(26) NOT NULL,
    course char(26) NOT NULL,
    session char(26) DEFAULT NULL,
    kind varchar(20) NOT NULL,
    item varchar(400) NOT NULL,
    body mediumtext NOT NULL,
    at datetime(3) NOT NULL,
    person char(26) NOT NULL,
    PRIMARY KEY (id),
    KEY stores_record_session_kind (session,kind),
    KEY stores_record_course_kind (course,kind)
  )`,
]
