-- Who somebody is and signs in as is compared to the letter: no other case, accent or trailing space is the same.
ALTER TABLE staff
  MODIFY id varchar(64) CHARACTER SET utf8mb4 COLLATE utf8mb4_nopad_bin NOT NULL,
  MODIFY login varchar(60) CHARACTER SET utf8mb4 COLLATE utf8mb4_nopad_bin NOT NULL;
ALTER TABLE attempts
  MODIFY subject varchar(120) CHARACTER SET utf8mb4 COLLATE utf8mb4_nopad_bin NOT NULL;
