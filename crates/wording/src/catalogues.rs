//! The catalogues, as they are shipped: all of British English, and what patients read in every other language.

/// Each file of `locales/en`.
pub(crate) const ENGLISH: [&str; 24] = [
    include_str!("../../../locales/en/exercises.ftl"),
    include_str!("../../../locales/en/messages.ftl"),
    include_str!("../../../locales/en/names.ftl"),
    include_str!("../../../locales/en/paper.ftl"),
    include_str!("../../../locales/en/patient.ftl"),
    include_str!("../../../locales/en/phone.ftl"),
    include_str!("../../../locales/en/problems.ftl"),
    include_str!("../../../locales/en/rules.ftl"),
    include_str!("../../../locales/en/screens.ftl"),
    include_str!("../../../locales/en/stations/clinic.ftl"),
    include_str!("../../../locales/en/stations/common.ftl"),
    include_str!("../../../locales/en/stations/examine.ftl"),
    include_str!("../../../locales/en/stations/handover.ftl"),
    include_str!("../../../locales/en/stations/home.ftl"),
    include_str!("../../../locales/en/stations/library.ftl"),
    include_str!("../../../locales/en/stations/program.ftl"),
    include_str!("../../../locales/en/stations/ranges.ftl"),
    include_str!("../../../locales/en/stations/read.ftl"),
    include_str!("../../../locales/en/stations/scores.ftl"),
    include_str!("../../../locales/en/stations/story.ftl"),
    include_str!("../../../locales/en/stations/strength.ftl"),
    include_str!("../../../locales/en/stations/timeline.ftl"),
    include_str!("../../../locales/en/stations/visit.ftl"),
    include_str!("../../../locales/en/tests.ftl"),
];

/// What patients read, each file of `locales/it`.
pub(crate) const ITALIAN: [&str; 5] = [
    include_str!("../../../locales/it/exercises.ftl"),
    include_str!("../../../locales/it/messages.ftl"),
    include_str!("../../../locales/it/paper.ftl"),
    include_str!("../../../locales/it/patient.ftl"),
    include_str!("../../../locales/it/phone.ftl"),
];
