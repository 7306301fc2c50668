//! The tables as Diesel sees them; `migrations/` is what the database sees.

diesel::table! { app_user (id) { id -> Uuid, login -> Text, name -> Text, role -> Text, password_hash -> Text, ended_at -> Nullable<Timestamptz>, must_change -> Bool, } }
diesel::table! {
    session (token_hash) {
        token_hash -> Bytea, id -> Uuid, user_id -> Uuid, expires_at -> Timestamptz, made_at -> Timestamptz, seen_at -> Timestamptz,
        agent -> Text, address -> Text,
    }
}
diesel::table! {
    invitation (id) {
        id -> Uuid, token_hash -> Bytea, user_id -> Nullable<Uuid>, made_by -> Nullable<Uuid>, made_at -> Timestamptz, expires_at -> Timestamptz,
        used_at -> Nullable<Timestamptz>,
    }
}
diesel::table! { second_factor (user_id) { user_id -> Uuid, secret -> Bytea, confirmed_at -> Nullable<Timestamptz>, last_step -> Int8, } }
diesel::table! { recovery_code (id) { id -> Uuid, user_id -> Uuid, code_hash -> Bytea, used_at -> Nullable<Timestamptz>, } }
diesel::joinable!(session -> app_user (user_id));
diesel::table! { sign_in_attempt (id) { id -> Uuid, login -> Text, succeeded -> Bool, at -> Timestamptz, address -> Text, } }
diesel::table! { patient (id) { id -> Uuid, given_name -> Text, family_name -> Text, birth -> Date, } }
diesel::table! {
    episode (id) {
        id -> Uuid, patient_id -> Uuid, pathway -> Text, side -> Text, day0 -> Date, dominant -> Text, mechanism -> Text,
        work -> Text, clearance_role -> Nullable<Text>, clearance_on -> Nullable<Date>, sling_worn -> Nullable<Bool>,
        note -> Text, rev -> Int4, start -> Text, setting -> Text, complaint -> Nullable<Text>, other_side -> Text,
        mass_kg -> Nullable<Float8>, height_cm -> Nullable<Float8>, minutes_per_day -> Nullable<Int4>, job_load_kg -> Nullable<Float8>,
        job_overhead_h -> Nullable<Float8>, slips_per_week -> Nullable<Int4>, flag_words -> Text, complaint_words -> Text, health_words -> Text,
        reads -> Text,
        closed_on -> Nullable<Date>,
    }
}
diesel::table! { episode_modifier (episode_id, item) { episode_id -> Uuid, item -> Text, } }
diesel::table! { episode_school (episode_id, question) { episode_id -> Uuid, question -> Text, school -> Text, } }
diesel::table! { episode_health (episode_id, item) { episode_id -> Uuid, item -> Text, } }
diesel::table! { episode_kit (episode_id, item) { episode_id -> Uuid, item -> Text, } }
diesel::table! { episode_task (episode_id, place) { episode_id -> Uuid, place -> Int4, label -> Text, score -> Int4, asks -> Nullable<Text>, } }
diesel::table! {
    home_link (id) {
        id -> Uuid, episode_id -> Uuid, token_hash -> Bytea, made_at -> Timestamptz, made_by -> Uuid, expires_on -> Date,
        tries -> Int4, opened_at -> Nullable<Timestamptz>, ended_at -> Nullable<Timestamptz>,
    }
}
diesel::table! { home_phone (id) { id -> Uuid, token_hash -> Bytea, link_id -> Uuid, } }
diesel::joinable!(home_phone -> home_link (link_id));
diesel::table! { home_calendar (id) { id -> Uuid, token_hash -> Bytea, link_id -> Uuid, } }
diesel::joinable!(home_calendar -> home_link (link_id));
diesel::table! { home_unread (id) { id -> Uuid, episode_id -> Uuid, at -> Timestamptz, } }
diesel::table! {
    job (id) {
        id -> Uuid, kind -> Text, key -> Text, due_at -> Timestamptz, patient_id -> Nullable<Uuid>, payload -> Jsonb, attempts -> Int4,
        done_at -> Nullable<Timestamptz>,
    }
}
diesel::table! {
    reminding (id) {
        id -> Uuid, patient_id -> Uuid, rev -> Int4, at -> Timestamptz, by_user -> Nullable<Uuid>, channel -> Nullable<Text>, address -> Text,
        appointments -> Bool, exercises_at -> Nullable<Time>, quiet_from -> Time, quiet_until -> Time,
    }
}
diesel::table! {
    reminder (id) {
        id -> Uuid, patient_id -> Uuid, episode_id -> Uuid, kind -> Text, made_at -> Timestamptz, channel -> Text, address -> Text,
        words -> Text, state -> Text, state_at -> Timestamptz,
    }
}
diesel::table! { access_rules (rev) { rev -> Int4, body -> Jsonb, user_id -> Uuid, } }
diesel::table! { record (patient_id) { patient_id -> Uuid, seq -> Int8, } }
diesel::table! {
    event (patient_id, seq) {
        patient_id -> Uuid, seq -> Int8, id -> Uuid, sha -> Bytea, episode_id -> Nullable<Uuid>, kind -> Text, on_date -> Date,
        until_date -> Nullable<Date>, at -> Timestamptz, by_user -> Nullable<Uuid>, via -> Text,
    }
}
diesel::table! {
    /// What `standing_facts` answers: events that were not taken back, with their details as text.
    standing_fact (id) {
        id -> Uuid, episode_id -> Uuid, seq -> Int8, kind -> Text, on_date -> Date, detail -> Nullable<Text>,
    }
}
diesel::table! {
    /// A view: the lists of a story under one name.
    story_list (episode_id) {
        episode_id -> Uuid, list -> Text, item -> Text, about -> Nullable<Text>, score -> Nullable<Int4>, place -> Int4,
    }
}
diesel::table! { effect (patient_id, seq, target) { patient_id -> Uuid, seq -> Int8, target -> Int8, role -> Text, } }
diesel::table! { event_reason (id) { id -> Uuid, code -> Text, words -> Text, } }
diesel::table! {
    story_text (id) {
        id -> Uuid, rev -> Int4, mechanism -> Text, work -> Text, note -> Text, flag_words -> Text, complaint_words -> Text,
        health_words -> Text,
    }
}
diesel::table! {
    surgeon_limit (id) {
        id -> Uuid, quantity -> Text, ceiling -> Float8, floor -> Nullable<Float8>, until_day -> Nullable<Int4>,
        ask_again_day -> Nullable<Int4>, release_role -> Nullable<Text>,
    }
}
diesel::table! {
    flag_answer (id) { id -> Uuid, flag -> Text, answer -> Text, about -> Array<Text>, because -> Nullable<Text>, }
}
diesel::table! {
    flag_step (id) {
        id -> Uuid, flag -> Text, causes -> Array<Text>, step -> Text, action -> Nullable<Text>, words -> Text, who -> Text,
        resumes -> Text, stands_until -> Nullable<Date>,
    }
}
diesel::table! { flag_raise (id) { id -> Uuid, flag -> Text, cause -> Text, reason -> Jsonb, } }
diesel::table! {
    verdict (measurement_id, round) {
        measurement_id -> Uuid, round -> Int4, ceiling -> Nullable<Float8>, whose -> Text, limit_id -> Nullable<Uuid>, over -> Bool,
    }
}
diesel::table! { breach_answer (id) { id -> Uuid, measurement_id -> Uuid, role -> Text, words -> Text, } }
diesel::table! {
    finding (id) {
        id -> Uuid, test -> Text, side -> Text, kind -> Text, word -> Nullable<Text>, value -> Nullable<Float8>,
        variant -> Nullable<Text>, rater_id -> Uuid, remark -> Text,
    }
}
diesel::table! {
    strength_trial (id) {
        id -> Uuid, test -> Text, side -> Text, peak_n -> Float8, lever_m -> Nullable<Float8>, pain -> Nullable<Float8>,
        device -> Nullable<Text>, sound -> Bool, remark -> Text,
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
diesel::table! { outcome_sheet (id) { id -> Uuid, instrument -> Text, answers -> Jsonb, } }
diesel::table! { strength_trace (trial_id) { trial_id -> Uuid, samples -> Jsonb, measurement -> Jsonb, } }
diesel::table! {
    exam_note (id) { id -> Uuid, kind -> Text, subject -> Text, value -> Float8, word -> Text, after_value -> Nullable<Float8>, }
}
diesel::table! {
    measurement (id) {
        id -> Uuid, quantity -> Text, side -> Text, value -> Float8, stop -> Text, taken_by -> Text, pain_from -> Nullable<Float8>,
        pain_to -> Nullable<Float8>, method -> Nullable<Text>, rater_id -> Nullable<Uuid>, remark -> Text,
    }
}
diesel::table! { score (id) { id -> Uuid, #[sql_name = "score"] name -> Text, value -> Float8, } }
diesel::table! { attestation (id) { id -> Uuid, code -> Text, holds -> Bool, } }
diesel::table! {
    log_entry (id) {
        id -> Uuid, episode_id -> Uuid, on_date -> Date, seq -> Int8, exercise -> Nullable<Text>, kind -> Text, value -> Nullable<Float8>, sessions -> Nullable<Int4>,
        repetitions -> Nullable<Int4>, how -> Nullable<Text>, remark -> Text,
    }
}
diesel::table! { contact (id) { id -> Uuid, how -> Text, } }
diesel::table! { home_hours (id) { id -> Uuid, days -> Array<Bool>, times -> Array<Time>, } }
diesel::table! { appointment (id) { id -> Uuid, day -> Date, at_time -> Time, minutes -> Int4, how -> Text, } }
diesel::table! { care (id) { id -> Uuid, user_id -> Nullable<Uuid>, } }
diesel::table! {
    cover (id) {
        id -> Uuid, away_user -> Uuid, cover_user -> Uuid, from_on -> Date, until_on -> Date, words -> Text, ended_on -> Nullable<Date>,
    }
}
diesel::table! { week_use (id) { id -> Uuid, how -> Text, } }
diesel::table! { gate_pass (id) { id -> Uuid, gate -> Text, } }
diesel::table! { gate_override (pass_id, criterion) { pass_id -> Uuid, criterion -> Text, reason -> Text, } }
diesel::table! { line_step (id) { id -> Uuid, exercise -> Text, step -> Text, reason -> Text, } }
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
    }
}
diesel::table! {
    line_decision (id) {
        id -> Uuid, line_id -> Uuid, exercise -> Text, proposed -> Text, rule -> Text, answer -> Text, reason -> Text,
        kind_version -> Int4, body -> Jsonb, lines_before -> Nullable<Jsonb>, made_rev -> Nullable<Int4>,
    }
}
diesel::table! {
    own_pathway (id) {
        id -> Uuid, seq -> Int8, name -> Text, version -> Int4, title -> Text, base -> Text, state -> Text, body -> Text,
        made_on -> Date, user_id -> Uuid,
    }
}
diesel::table! { visit_note (id) { id -> Uuid, body -> Text, kind_version -> Int4, summary -> Jsonb, } }
diesel::table! {
    lane (episode_id) {
        episode_id -> Uuid, patient_id -> Uuid, #[sql_name = "lane"] name -> Text, rank -> Int4, body -> Jsonb, as_of_day -> Date, inputs_rev -> Int4,
        family_name -> Text, given_name -> Text, work -> Text, side -> Text, day0 -> Date,
        next_change_day -> Date, made_with -> Text, search -> Text,
        pathway -> Text, phase -> Text, treated_by -> Nullable<Uuid>,
    }
}
diesel::table! { lane_move (id) { id -> Int8, #[sql_name = "lane"] name -> Text, by_count -> Int4, } }
diesel::allow_tables_to_appear_in_same_query!(
    app_user,
    session,
    second_factor,
    access_rules,
    home_link,
    home_phone,
    home_calendar,
    home_unread,
    patient,
    episode,
    lane,
    record,
    event,
    effect,
    event_reason,
    story_text,
    surgeon_limit,
    flag_answer,
    flag_step,
    flag_raise,
    measurement,
    verdict,
    breach_answer,
    finding,
    exam_note,
    outcome_sheet,
    strength_trial,
    strength_trace,
    score,
    attestation,
    log_entry,
    week_use,
    contact,
    home_hours,
    appointment,
    care,
    cover,
    gate_pass,
    gate_override,
    line_step,
    line_decision,
    visit_note,
    program,
    program_line,
    program_snapshot
);
