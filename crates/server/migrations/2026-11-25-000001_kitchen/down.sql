DROP TABLE events;
DROP TABLE cooks;
DROP TABLE machines;
