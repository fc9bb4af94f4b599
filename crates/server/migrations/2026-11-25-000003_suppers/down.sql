DROP TABLE suppers;
