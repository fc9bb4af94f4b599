DROP TABLE shared;
