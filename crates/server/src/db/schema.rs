//! Tables as the migrations make them.
#![allow(missing_docs, reason = "named in the migrations")]

diesel::table! {
    settings (key) {
        key -> Text,
        document -> Jsonb,
        revision -> Int4,
        changed_at -> Timestamptz,
        household_id -> Uuid,
    }
}

diesel::table! {
    changes (seq) {
        seq -> Int8,
        kind -> Text,
        of -> Uuid,
        at -> Timestamptz,
        household_id -> Uuid,
    }
}

diesel::table! {
    thermometers (id) {
        id -> Uuid,
        name -> Text,
        created_at -> Timestamptz,
        household_id -> Uuid,
    }
}

diesel::table! {
    channels (thermometer_id, channel) {
        thermometer_id -> Uuid,
        channel -> Int4,
        kind -> Text,
        cook_id -> Nullable<Uuid>,
        batch -> Nullable<Int4>,
        piece -> Nullable<Text>,
        household_id -> Uuid,
    }
}

diesel::table! {
    probe_readings (thermometer_id, channel, device_at) {
        thermometer_id -> Uuid,
        channel -> Int4,
        device_at -> Timestamptz,
        at -> Timestamptz,
        celsius -> Float8,
        kind -> Text,
        cook_id -> Nullable<Uuid>,
        batch -> Nullable<Int4>,
        household_id -> Uuid,
    }
}

diesel::table! {
    machines (id) {
        id -> Uuid,
        name -> Text,
        profile -> Jsonb,
        created_at -> Timestamptz,
        revision -> Int4,
        deleted_at -> Nullable<Timestamptz>,
        household_id -> Uuid,
    }
}

diesel::table! {
    cooks (id) {
        id -> Uuid,
        name -> Text,
        cut -> Text,
        request -> Jsonb,
        plan -> Jsonb,
        model_version -> Text,
        eat_at -> Nullable<Timestamptz>,
        created_at -> Timestamptz,
        started_at -> Nullable<Timestamptz>,
        finished_at -> Nullable<Timestamptz>,
        deleted_at -> Nullable<Timestamptz>,
        note -> Text,
        revision -> Int4,
        summary -> Nullable<Jsonb>,
        machine_id -> Nullable<Uuid>,
        supper_id -> Nullable<Uuid>,
        dish -> Nullable<Text>,
        household_id -> Uuid,
        lesson -> Nullable<Jsonb>,
        left_out_at -> Nullable<Timestamptz>,
    }
}

diesel::table! {
    events (id) {
        id -> Uuid,
        cook_id -> Uuid,
        at -> Timestamptz,
        happening -> Jsonb,
        seq -> Int8,
        household_id -> Uuid,
    }
}

diesel::table! {
    suppers (id) {
        id -> Uuid,
        name -> Text,
        document -> Jsonb,
        scheduled -> Jsonb,
        created_at -> Timestamptz,
        revision -> Int4,
        changed_at -> Timestamptz,
        deleted_at -> Nullable<Timestamptz>,
        summary -> Nullable<Jsonb>,
        household_id -> Uuid,
    }
}

diesel::table! {
    supper_events (id) {
        id -> Uuid,
        supper_id -> Uuid,
        seq -> Int8,
        at -> Timestamptz,
        told -> Jsonb,
        before -> Nullable<Jsonb>,
        household_id -> Uuid,
    }
}

diesel::table! {
    cards (id) {
        id -> Uuid,
        kind -> Text,
        name -> Text,
        document -> Jsonb,
        created_at -> Timestamptz,
        revision -> Int4,
        deleted_at -> Nullable<Timestamptz>,
        cut -> Text,
        household_id -> Uuid,
    }
}

diesel::table! {
    shared (id) {
        id -> Uuid,
        sentence -> Jsonb,
        created_at -> Timestamptz,
        household_id -> Uuid,
    }
}

diesel::table! {
    households (id) {
        id -> Uuid,
        name -> Text,
        passphrase -> Nullable<Text>,
        revision -> Int4,
        created_at -> Timestamptz,
    }
}

diesel::table! {
    devices (id) {
        id -> Uuid,
        household_id -> Uuid,
        name -> Text,
        secret -> Text,
        created_at -> Timestamptz,
        last_used_at -> Timestamptz,
    }
}

diesel::table! {
    links (id) {
        id -> Uuid,
        household_id -> Uuid,
        kind -> Text,
        of -> Nullable<Uuid>,
        secret -> Text,
        created_at -> Timestamptz,
        expires_at -> Nullable<Timestamptz>,
        last_used_at -> Nullable<Timestamptz>,
    }
}

diesel::table! {
    photos (id) {
        id -> Uuid,
        cook_id -> Uuid,
        kind -> Text,
        bytes -> Bytea,
        created_at -> Timestamptz,
        deleted_at -> Nullable<Timestamptz>,
        household_id -> Uuid,
    }
}

diesel::joinable!(events -> cooks (cook_id));
diesel::joinable!(supper_events -> suppers (supper_id));
diesel::allow_tables_to_appear_in_same_query!(cooks, events);
diesel::allow_tables_to_appear_in_same_query!(suppers, supper_events);
diesel::allow_tables_to_appear_in_same_query!(cooks, suppers);
