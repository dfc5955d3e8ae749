ALTER TABLE hulls ADD COLUMN IF NOT EXISTS year int DEFAULT NULL;

ALTER TABLE hulls ADD COLUMN IF NOT EXISTS colour varchar(40) NOT NULL DEFAULT '';

ALTER TABLE hulls ADD COLUMN IF NOT EXISTS notes varchar(1000) NOT NULL DEFAULT '';

CREATE TABLE IF NOT EXISTS photos (
  id varchar(64) NOT NULL PRIMARY KEY,
  rigId varchar(64) NOT NULL,
  mime varchar(40) NOT NULL,
  bytes longblob NOT NULL,
  KEY photos_rig_id (rigId)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4;

CREATE TABLE IF NOT EXISTS headings (
  heading varchar(80) NOT NULL PRIMARY KEY,
  meaning varchar(20) NOT NULL
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4;

CREATE TABLE IF NOT EXISTS assemblies (
  id varchar(64) NOT NULL,
  version int NOT NULL,
  document longtext NOT NULL,
  PRIMARY KEY (id, version)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4;
