CREATE TABLE IF NOT EXISTS staff (
  id varchar(64) NOT NULL PRIMARY KEY,
  login varchar(60) NOT NULL,
  name varchar(80) NOT NULL,
  role varchar(20) NOT NULL,
  passwordHash varchar(200) NOT NULL,
  UNIQUE KEY login (login)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4;

CREATE TABLE IF NOT EXISTS owners (
  id varchar(64) NOT NULL PRIMARY KEY,
  name varchar(120) NOT NULL,
  email varchar(200) NOT NULL
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4;

CREATE TABLE IF NOT EXISTS hull_models (
  id varchar(64) NOT NULL,
  revision int NOT NULL,
  document longtext NOT NULL,
  PRIMARY KEY (id, revision)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4;

CREATE TABLE IF NOT EXISTS catalogs (
  revision int NOT NULL PRIMARY KEY,
  document longtext NOT NULL
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4;

CREATE TABLE IF NOT EXISTS shops (
  revision int NOT NULL PRIMARY KEY,
  document longtext NOT NULL
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4;

CREATE TABLE IF NOT EXISTS hulls (
  id varchar(64) NOT NULL PRIMARY KEY,
  ownerId varchar(64) NOT NULL,
  modelId varchar(64) NOT NULL,
  serial varchar(60) NOT NULL,
  factCount int NOT NULL
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4;

CREATE TABLE IF NOT EXISTS rigs (
  id varchar(64) NOT NULL PRIMARY KEY,
  number varchar(20) NOT NULL,
  ownerId varchar(64) NOT NULL,
  hullId varchar(64) NOT NULL,
  place varchar(20) NOT NULL,
  version int NOT NULL,
  plan longtext NOT NULL,
  carried longtext DEFAULT NULL,
  progress longtext NOT NULL,
  UNIQUE KEY number (number),
  KEY rigs_hull_id (hullId)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4;

CREATE TABLE IF NOT EXISTS changes (
  rigId varchar(64) NOT NULL,
  id varchar(36) NOT NULL,
  version int NOT NULL,
  author varchar(80) NOT NULL,
  baseVersion int NOT NULL,
  serverTime varchar(30) NOT NULL,
  body longtext NOT NULL,
  inverse longtext NOT NULL,
  undoes varchar(36) DEFAULT NULL,
  PRIMARY KEY (rigId, id),
  UNIQUE KEY changes_rig_id_version (rigId, version)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4;

CREATE TABLE IF NOT EXISTS facts (
  seq int NOT NULL AUTO_INCREMENT PRIMARY KEY,
  hullId varchar(64) NOT NULL,
  id varchar(36) NOT NULL,
  kind varchar(30) NOT NULL,
  `by` varchar(80) NOT NULL,
  serverTime varchar(30) NOT NULL,
  body longtext NOT NULL,
  UNIQUE KEY facts_hull_id_id (hullId, id)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4;

CREATE TABLE IF NOT EXISTS owner_links (
  tokenHash varchar(64) NOT NULL PRIMARY KEY,
  rigId varchar(64) NOT NULL,
  expires varchar(30) NOT NULL,
  revoked tinyint(1) NOT NULL
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4;

CREATE TABLE IF NOT EXISTS counters (
  name varchar(20) NOT NULL PRIMARY KEY,
  value int NOT NULL
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4;

CREATE TABLE IF NOT EXISTS sessions (
  sid varchar(36) NOT NULL PRIMARY KEY,
  expires datetime DEFAULT NULL,
  data text DEFAULT NULL
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4;
