//! Tables as the migrations make them.
#![allow(missing_docs, reason = "named in the migrations")]

diesel::table! {
    machines (id) {
        id -> Uuid,
        name -> Text,
        profile -> Jsonb,
        created_at -> Timestamptz,
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
    }
}

diesel::table! {
    events (id) {
        id -> Uuid,
        cook_id -> Uuid,
        at -> Timestamptz,
        happening -> Jsonb,
    }
}

diesel::table! {
    suppers (id) {
        id -> Uuid,
        name -> Text,
        document -> Jsonb,
        scheduled -> Jsonb,
        created_at -> Timestamptz,
    }
}

diesel::table! {
    cards (id) {
        id -> Uuid,
        kind -> Text,
        name -> Text,
        document -> Jsonb,
        created_at -> Timestamptz,
    }
}

diesel::joinable!(events -> cooks (cook_id));
diesel::allow_tables_to_appear_in_same_query!(cooks, events);
