ALTER TABLE staff ADD COLUMN IF NOT EXISTS ended varchar(30) DEFAULT NULL;

ALTER TABLE facts ADD COLUMN IF NOT EXISTS `foreign` tinyint(1) NOT NULL DEFAULT 0;

CREATE TABLE IF NOT EXISTS attempts (
  subject varchar(120) NOT NULL PRIMARY KEY,
  failures int NOT NULL,
  since bigint NOT NULL
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4;

CREATE TABLE IF NOT EXISTS backups (
  name varchar(80) NOT NULL PRIMARY KEY,
  serverTime varchar(30) NOT NULL,
  bytes bigint NOT NULL
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4;
