DROP TABLE probe_readings;
DROP TABLE channels;
DROP TABLE thermometers;
