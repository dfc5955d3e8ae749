CREATE TABLE IF NOT EXISTS catalogs (
  revision int NOT NULL PRIMARY KEY,
  document longtext NOT NULL
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4;

CREATE TABLE IF NOT EXISTS part_revisions (
  id varchar(64) NOT NULL,
  revision int NOT NULL,
  document longtext NOT NULL,
  PRIMARY KEY (id, revision)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4;

CREATE TABLE IF NOT EXISTS parts (
  id varchar(64) NOT NULL PRIMARY KEY,
  revision int NOT NULL,
  name varchar(80) NOT NULL,
  french varchar(80) NOT NULL,
  kind varchar(40) NOT NULL,
  active tinyint(1) NOT NULL DEFAULT 1,
  KEY parts_active (active, id, revision),
  FULLTEXT KEY parts_words (name, french, kind)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4;

CREATE TABLE IF NOT EXISTS materials (
  revision int NOT NULL PRIMARY KEY,
  document longtext NOT NULL
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4;

INSERT IGNORE INTO part_revisions (id, revision, document)
  SELECT p.id, c.revision, p.document
  FROM catalogs c, JSON_TABLE(c.document, '$.parts[*]' COLUMNS (id varchar(64) PATH '$.id', document JSON PATH '$')) p;

INSERT IGNORE INTO parts (id, revision, name, french, kind)
  SELECT p.id, c.revision, p.name, p.french, p.kind
  FROM catalogs c, JSON_TABLE(c.document, '$.parts[*]' COLUMNS (
    id varchar(64) PATH '$.id',
    name varchar(80) PATH '$.name',
    french varchar(80) PATH '$.french',
    kind varchar(40) PATH '$.kind'
  )) p
  ORDER BY c.revision DESC;

INSERT IGNORE INTO materials (revision, document)
  SELECT revision, JSON_REMOVE(document, '$.parts', '$.format') FROM catalogs;

DROP TABLE IF EXISTS catalogs;
