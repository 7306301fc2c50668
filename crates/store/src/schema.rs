//! The tables as Diesel sees them; `migrations/` is what the database sees.

diesel::table! { app_user (id) { id -> Uuid, login -> Text, name -> Text, role -> Text, password_hash -> Text, } }
diesel::table! { session (token_hash) { token_hash -> Bytea, id -> Uuid, user_id -> Uuid, expires_at -> Timestamptz, } }
diesel::table! { sign_in_attempt (id) { id -> Uuid, login -> Text, succeeded -> Bool, at -> Timestamptz, } }
diesel::table! { patient (id) { id -> Uuid, given_name -> Text, family_name -> Text, birth -> Date, } }
diesel::table! {
    episode (id) {
        id -> Uuid, patient_id -> Uuid, pathway -> Text, side -> Text, day0 -> Date, dominant -> Text, mechanism -> Text,
        work -> Text, clearance_role -> Nullable<Text>, clearance_on -> Nullable<Date>, sling_worn -> Nullable<Bool>,
        note -> Text, rev -> Int4, start -> Text, setting -> Text, complaint -> Nullable<Text>, other_side -> Text,
        mass_kg -> Nullable<Float8>, height_cm -> Nullable<Float8>, minutes_per_day -> Nullable<Int4>, job_load_kg -> Nullable<Float8>,
        job_overhead_h -> Nullable<Float8>, slips_per_week -> Nullable<Int4>,
        closed_on -> Nullable<Date>,
    }
}
diesel::table! { episode_modifier (episode_id, item) { episode_id -> Uuid, item -> Text, } }
diesel::table! { episode_school (episode_id, question) { episode_id -> Uuid, question -> Text, school -> Text, } }
diesel::table! { episode_health (episode_id, item) { episode_id -> Uuid, item -> Text, } }
diesel::table! { episode_kit (episode_id, item) { episode_id -> Uuid, item -> Text, } }
diesel::table! { episode_task (episode_id, place) { episode_id -> Uuid, place -> Int4, label -> Text, score -> Int4, asks -> Nullable<Text>, } }
diesel::table! {
    surgeon_limit (id) {
        id -> Uuid, episode_id -> Uuid, seq -> Int8, quantity -> Text, ceiling -> Float8, floor -> Nullable<Float8>,
        until_day -> Nullable<Int4>, release_role -> Nullable<Text>, release_on -> Nullable<Date>, ended_on -> Nullable<Date>,
    }
}
diesel::table! {
    flag_answer (id) { id -> Uuid, episode_id -> Uuid, seq -> Int8, flag -> Text, answer -> Text, confirmed -> Bool, asked_on -> Date, }
}
diesel::table! {
    flag_action (id) { id -> Uuid, episode_id -> Uuid, seq -> Int8, flag -> Text, acted_on -> Date, action -> Text, closed -> Bool, }
}
diesel::table! {
    finding (id) {
        id -> Uuid, episode_id -> Uuid, seq -> Int8, test -> Text, side -> Text, kind -> Text, word -> Nullable<Text>,
        value -> Nullable<Float8>, variant -> Nullable<Text>, found_on -> Date, user_id -> Uuid,
    }
}
diesel::table! {
    strength_trial (id) {
        id -> Uuid, episode_id -> Uuid, seq -> Int8, test -> Text, side -> Text, peak_n -> Float8, lever_m -> Nullable<Float8>,
        pain -> Nullable<Float8>, device -> Nullable<Text>, sound -> Bool, pushed_on -> Date, user_id -> Uuid,
    }
}
diesel::table! {
    clinic_error (id) {
        id -> Uuid, seq -> Int8, quantity -> Text, sem -> Float8, sem_same_rater -> Float8, ratings -> Jsonb, result -> Jsonb,
        kept_on -> Date, user_id -> Uuid,
    }
}
diesel::table! {
    elastic_level (id) {
        id -> Uuid, seq -> Int8, level -> Int4, label -> Text, points -> Jsonb, simulated -> Bool, measured_on -> Date, user_id -> Uuid,
    }
}
diesel::table! {
    outcome_sheet (id) {
        id -> Uuid, episode_id -> Uuid, seq -> Int8, instrument -> Text, answers -> Jsonb, filled_on -> Date, user_id -> Uuid,
    }
}
diesel::table! { strength_trace (trial_id) { trial_id -> Uuid, samples -> Jsonb, measurement -> Jsonb, } }
diesel::table! {
    exam_note (id) {
        id -> Uuid, episode_id -> Uuid, seq -> Int8, kind -> Text, subject -> Text, value -> Float8, word -> Text,
        after_value -> Nullable<Float8>, noted_on -> Date, user_id -> Uuid,
    }
}
diesel::table! { withdrawal (entry_id) { entry_id -> Uuid, episode_id -> Uuid, kind -> Text, reason -> Text, } }
diesel::table! {
    measurement (id) {
        id -> Uuid, episode_id -> Uuid, seq -> Int8, quantity -> Text, side -> Text, value -> Float8, stop -> Text,
        taken_by -> Text, taken_on -> Date, pain_from -> Nullable<Float8>,
        pain_to -> Nullable<Float8>, method -> Nullable<Text>,
        rater_id -> Nullable<Uuid>,
    }
}
diesel::table! { score (id) { id -> Uuid, episode_id -> Uuid, seq -> Int8, #[sql_name = "score"] name -> Text, value -> Float8, given_on -> Date, } }
diesel::table! {
    attestation (id) { id -> Uuid, episode_id -> Uuid, seq -> Int8, code -> Text, holds -> Bool, attested_on -> Date, user_id -> Uuid, }
}
diesel::table! {
    log_entry (id) {
        id -> Uuid, episode_id -> Uuid, seq -> Int8, logged_on -> Date, exercise -> Nullable<Text>, kind -> Text,
        value -> Nullable<Float8>, sessions -> Nullable<Int4>, repetitions -> Nullable<Int4>, how -> Nullable<Text>,
    }
}
diesel::table! {
    gate_pass (id) { id -> Uuid, episode_id -> Uuid, gate -> Text, passed_on -> Date, overridden -> Array<Text>, reason -> Text, user_id -> Uuid, }
}
diesel::table! { knowledge_release (sha256) { sha256 -> Text, body -> Jsonb, } }
diesel::table! { program (id) { id -> Uuid, episode_id -> Uuid, knowledge_sha256 -> Text, rev -> Int4, } }
diesel::table! {
    program_line (id) {
        id -> Uuid, program_id -> Uuid, exercise -> Text, from_day -> Int4, to_day -> Int4, sets -> Int4, repetitions -> Int4,
        hold_s -> Int4, rest_s -> Int4, times_per_day -> Int4, days_per_week -> Int4, load_kg -> Nullable<Float8>,
        elastic_level -> Nullable<Int4>, effort_pct -> Nullable<Int4>, tempo_s -> Nullable<Array<Int4>>,
        structure -> Nullable<Text>, duration_s -> Nullable<Int4>, force_n -> Nullable<Float8>, distance_m -> Nullable<Float8>,
        weekdays -> Nullable<Array<Bool>>, override_reason -> Nullable<Text>, by_hand -> Bool,
    }
}
diesel::table! {
    program_snapshot (id) {
        id -> Uuid, program_id -> Uuid, version -> Int4, kind_version -> Int4, knowledge_sha256 -> Text, body -> Jsonb,
        signed_by -> Uuid, signed_on -> Date,
    }
}
diesel::table! {
    line_decision (id) {
        id -> Uuid, episode_id -> Uuid, seq -> Int8, line_id -> Uuid, exercise -> Text, proposed -> Text, rule -> Text, answer -> Text,
        reason -> Text, kind_version -> Int4, body -> Jsonb, decided_on -> Date, user_id -> Uuid,
    }
}
diesel::table! {
    own_pathway (id) {
        id -> Uuid, seq -> Int8, name -> Text, version -> Int4, title -> Text, base -> Text, state -> Text, body -> Text,
        made_on -> Date, user_id -> Uuid,
    }
}
diesel::table! { visit_note (id) { id -> Uuid, episode_id -> Uuid, visited_on -> Date, body -> Text, kind_version -> Int4, summary -> Jsonb, signed_by -> Uuid, } }
diesel::table! {
    lane (episode_id) {
        episode_id -> Uuid, patient_id -> Uuid, #[sql_name = "lane"] name -> Text, rank -> Int4, body -> Jsonb, as_of_day -> Date, inputs_rev -> Int4,
    }
}
diesel::allow_tables_to_appear_in_same_query!(
    app_user,
    session,
    patient,
    episode,
    lane,
    measurement,
    withdrawal,
    finding,
    outcome_sheet,
    strength_trial,
    strength_trace,
    program,
    program_line,
    program_snapshot
);
