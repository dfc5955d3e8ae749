ALTER TABLE rigs
  ADD COLUMN IF NOT EXISTS title varchar(120) NOT NULL DEFAULT '',
  ADD COLUMN IF NOT EXISTS promised varchar(10) DEFAULT NULL,
  ADD KEY IF NOT EXISTS rigs_place (place, number),
  MODIFY progress longtext DEFAULT NULL;

UPDATE rigs SET title = COALESCE(JSON_VALUE(plan, '$.title'), ''), promised = NULLIF(JSON_VALUE(plan, '$.promised'), 'null');

CREATE TABLE IF NOT EXISTS projections (
  rigId varchar(64) NOT NULL PRIMARY KEY,
  version int NOT NULL,
  factCount int NOT NULL,
  hull varchar(160) NOT NULL,
  outline text NOT NULL,
  progress text NOT NULL,
  holes longtext NOT NULL,
  cuts longtext NOT NULL
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4;

INSERT IGNORE INTO projections (rigId, version, factCount, hull, outline, progress, holes, cuts)
  SELECT id, -1, -1, '', '[]', progress, '[]', '{"bars":[],"plates":[]}' FROM rigs WHERE progress IS NOT NULL;
