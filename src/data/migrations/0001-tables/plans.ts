/** Compared as bytes: the usual collation takes é for e and A for a. */
const unchanged = [
  'id',
  'preparation',
  'number',
  'plan',
  'title',
  'aim',
  'version',
  'saved_at',
  'saved_by',
  'published_at',
  'published_by',
  'safety_read_at',
]
  .map((column) => `BINARY NEW.${column} <=> BINARY OLD.${column}`)
  .join(' AND ')

/** Preparations: one draft each, and revisions that are frozen when they are published. */
export const plans = [
  `CREATE TABLE preparation (
    id char(26) NOT NULL,
    course char(26) NOT NULL,
    title varchar(200) NOT NULL,
    archived_at datetime(3) DEFAULT NULL,
    turn int unsigned NOT NULL DEFAULT 0,
    PRIMARY KEY (id),
    FOREIGN KEY (course) REFERENCES course (id)
  )`,
  `CREATE TABLE revision (
    id char(26) NOT NULL,
    preparation char(26) NOT NULL,
    number int NOT NULL,
    state varchar(12) NOT NULL,
    plan longtext CHARACTER SET utf8mb4 COLLATE utf8mb4_bin NOT NULL,
    version int NOT NULL,
    saved_at datetime(3) NOT NULL,
    saved_by char(26) NOT NULL,
    published_at datetime(3) DEFAULT NULL,
    published_by char(26) DEFAULT NULL,
    safety_read_at datetime(3) DEFAULT NULL,
    title varchar(200) NOT NULL DEFAULT '',
    aim varchar(1000) NOT NULL DEFAULT '',
    fault varchar(500) DEFAULT NULL,
    PRIMARY KEY (id),
    UNIQUE KEY one_number (preparation,number),
    FOREIGN KEY (preparation) REFERENCES preparation (id),
    FOREIGN KEY (saved_by) REFERENCES user (id)
  )`,
  `CREATE TABLE draft (
    id char(26) NOT NULL,
    preparation char(26) NOT NULL,
    number int NOT NULL,
    title varchar(200) NOT NULL,
    aim varchar(1000) NOT NULL,
    plan longtext CHARACTER SET utf8mb4 COLLATE utf8mb4_bin NOT NULL,
    version int NOT NULL,
    saved_at datetime(3) NOT NULL,
    saved_by char(26) NOT NULL,
    fault varchar(500) DEFAULT NULL,
    PRIMARY KEY (id),
    UNIQUE KEY preparation (preparation),
    FOREIGN KEY (preparation) REFERENCES preparation (id),
    FOREIGN KEY (saved_by) REFERENCES user (id)
  )`,
  `CREATE TABLE approval (
    revision char(26) NOT NULL,
    person char(26) NOT NULL,
    at datetime(3) NOT NULL,
    PRIMARY KEY (revision),
    FOREIGN KEY (revision) REFERENCES revision (id),
    FOREIGN KEY (person) REFERENCES user (id)
  )`,
  `CREATE TABLE compared (
    id char(26) NOT NULL,
    course char(26) NOT NULL,
    record varchar(120) NOT NULL,
    what varchar(120) NOT NULL,
    value longtext NOT NULL,
    compared_by char(26) NOT NULL,
    compared_at datetime(3) NOT NULL,
    PRIMARY KEY (id),
    UNIQUE KEY compared_once (course,record,what),
    FOREIGN KEY (course) REFERENCES course (id),
    FOREIGN KEY (compared_by) REFERENCES user (id)
  )`,
  `CREATE TRIGGER revision_is_frozen BEFORE UPDATE ON revision FOR EACH ROW
    BEGIN
      IF NOT (${unchanged}) THEN SIGNAL SQLSTATE '45000' SET MESSAGE_TEXT = 'A published plan is frozen'; END IF;
      IF NEW.state <> OLD.state AND NOT (OLD.state = 'published' AND NEW.state = 'superseded') THEN
        SIGNAL SQLSTATE '45000' SET MESSAGE_TEXT = 'A published plan is frozen: its state only moves forward';
      END IF;
    END`,
  `CREATE TRIGGER revision_stays BEFORE DELETE ON revision FOR EACH ROW
    SIGNAL SQLSTATE '45000' SET MESSAGE_TEXT = 'A published plan is frozen: it is not deleted'`,
]
