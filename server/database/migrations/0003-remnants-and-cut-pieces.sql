CREATE TABLE IF NOT EXISTS remnants (
  id varchar(64) NOT NULL PRIMARY KEY,
  stock varchar(64) NOT NULL,
  length double NOT NULL,
  width double NOT NULL
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4;

CREATE TABLE IF NOT EXISTS cut_pieces (
  piece varchar(160) NOT NULL PRIMARY KEY,
  `by` varchar(80) NOT NULL,
  serverTime varchar(30) NOT NULL
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4;
