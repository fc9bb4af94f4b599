-- The sentence names a machine, so a kitchen has no two of one name. A kitchen that already has
-- keeps both: the later ones are numbered.
UPDATE machines
   SET name = machines.name || ' (' || twin.n || ')',
       profile = jsonb_set(machines.profile, '{name}',
                           to_jsonb(machines.name || ' (' || twin.n || ')'))
  FROM (SELECT id, row_number() OVER (PARTITION BY lower(name) ORDER BY created_at, id) AS n
          FROM machines) AS twin
 WHERE twin.id = machines.id AND twin.n > 1;

CREATE UNIQUE INDEX machines_name ON machines (lower(name));
