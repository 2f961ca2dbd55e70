/** People, who belongs where, and what keeps strangers out. */
export const people = [
  `CREATE TABLE college (
    id char(26) NOT NULL,
    title varchar(120) NOT NULL,
    zone varchar(60) NOT NULL,
    -- There is one college in a database: a second row cannot be written.
    only tinyint NOT NULL DEFAULT 1,
    keep_names_months int NOT NULL,
    words varchar(200) NOT NULL DEFAULT '{}',
    turn int unsigned NOT NULL DEFAULT 0,
    PRIMARY KEY (id),
    UNIQUE KEY only (only)
  )`,
  `CREATE TABLE user (
    id char(26) NOT NULL,
    sign_in varchar(120) NOT NULL,
    name varchar(120) NOT NULL,
    password_hash varchar(200) NOT NULL,
    administrator boolean NOT NULL DEFAULT 0,
    withdrawn_at datetime(3) DEFAULT NULL,
    pin_hash varchar(200) NOT NULL DEFAULT '',
    PRIMARY KEY (id),
    UNIQUE KEY sign_in (sign_in)
  )`,
  `CREATE TABLE invitation (
    id char(26) NOT NULL,
    -- Null on the one link with which a college begins.
    user char(26) DEFAULT NULL,
    token_hash varchar(64) NOT NULL,
    made_at datetime(3) NOT NULL,
    made_by char(26) DEFAULT NULL,
    ends_at datetime(3) NOT NULL,
    used_at datetime(3) DEFAULT NULL,
    PRIMARY KEY (id),
    UNIQUE KEY token_hash (token_hash),
    FOREIGN KEY (user) REFERENCES user (id),
    FOREIGN KEY (made_by) REFERENCES user (id)
  )`,
  `CREATE TABLE sign_in (
    id char(26) NOT NULL,
    user char(26) NOT NULL,
    password varchar(64) NOT NULL,
    opened_at datetime(3) NOT NULL,
    PRIMARY KEY (id),
    KEY sign_in_opened_at (opened_at),
    FOREIGN KEY (user) REFERENCES user (id)
  )`,
  `CREATE TABLE attempt (
    \`key\` varchar(200) NOT NULL,
    failures int NOT NULL,
    last datetime(3) NOT NULL,
    until datetime(3) NOT NULL,
    token char(26) NOT NULL,
    PRIMARY KEY (\`key\`),
    KEY attempt_last (last)
  )`,
  `CREATE TABLE feed (
    token_hash varchar(64) NOT NULL,
    user char(26) NOT NULL,
    PRIMARY KEY (token_hash),
    UNIQUE KEY user (user),
    FOREIGN KEY (user) REFERENCES user (id)
  )`,
  `CREATE TABLE course (
    id char(26) NOT NULL,
    title varchar(120) NOT NULL,
    college varchar(120) NOT NULL,
    zone varchar(60) NOT NULL,
    lab longtext DEFAULT NULL,
    term varchar(60) NOT NULL DEFAULT '',
    copied_from char(26) DEFAULT NULL,
    approval boolean NOT NULL DEFAULT 0,
    PRIMARY KEY (id)
  )`,
  `CREATE TABLE membership (
    user char(26) NOT NULL,
    course char(26) NOT NULL,
    role varchar(20) NOT NULL,
    PRIMARY KEY (user,course),
    FOREIGN KEY (user) REFERENCES user (id),
    FOREIGN KEY (course) REFERENCES course (id)
  )`,
  `CREATE TABLE token (
    id char(26) NOT NULL,
    name varchar(120) NOT NULL,
    token_hash varchar(64) NOT NULL,
    rights varchar(400) NOT NULL,
    -- Null: all courses of the college.
    course char(26) DEFAULT NULL,
    made_at datetime(3) NOT NULL,
    made_by char(26) NOT NULL,
    ends_at datetime(3) NOT NULL,
    used_at datetime(3) DEFAULT NULL,
    withdrawn_at datetime(3) DEFAULT NULL,
    PRIMARY KEY (id),
    UNIQUE KEY token_hash (token_hash),
    FOREIGN KEY (course) REFERENCES course (id)
  )`,
  `CREATE TABLE deed (
    id char(26) NOT NULL,
    at datetime(3) NOT NULL,
    person char(26) DEFAULT NULL,
    course char(26) DEFAULT NULL,
    what varchar(40) NOT NULL,
    about varchar(500) NOT NULL,
    \`from\` varchar(80) NOT NULL,
    PRIMARY KEY (id),
    KEY deed_course_id (course,id)
  )`,
  `CREATE TABLE section (
    id char(26) NOT NULL,
    course char(26) NOT NULL,
    name varchar(120) NOT NULL,
    turn int unsigned NOT NULL DEFAULT 0,
    PRIMARY KEY (id),
    FOREIGN KEY (course) REFERENCES course (id)
  )`,
  `CREATE TABLE student_group (
    id char(26) NOT NULL,
    section char(26) NOT NULL,
    bench int NOT NULL,
    members varchar(200) NOT NULL,
    left_at datetime(3) DEFAULT NULL,
    PRIMARY KEY (id),
    FOREIGN KEY (section) REFERENCES section (id)
  )`,
  `CREATE TABLE student (
    id char(26) NOT NULL,
    student_group char(26) DEFAULT NULL,
    -- Null once the name is no longer kept.
    name varchar(120) DEFAULT NULL,
    place int NOT NULL,
    PRIMARY KEY (id),
    FOREIGN KEY (student_group) REFERENCES student_group (id)
  )`,
]
