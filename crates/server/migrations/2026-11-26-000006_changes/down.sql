DROP TRIGGER suppers_told ON suppers;
DROP TRIGGER cooks_told ON cooks;
DROP FUNCTION tell_change();
DROP TABLE changes;
