//! How a patient wants to be reached between visits, and when they are left alone.

use crate::knowledge::Knowledge;
use chrono::{Duration, NaiveDateTime, NaiveTime};
use serde::{Deserialize, Serialize};

/// A way to reach somebody.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Serialize, Deserialize)]
#[serde(rename_all = "snake_case")]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub enum Channel {
    /// A text message to a telephone.
    Text,
    /// A mail.
    Mail,
}

/// Digits of a telephone number. Source: ITU-T E.164 for the most; the least is our choice.
const DIGITS: std::ops::RangeInclusive<usize> = 6..=15;
/// Letters of a mail address at most. Source: RFC 5321, section 4.5.3.1.3, without the brackets.
const MAIL_LETTERS: usize = 254;

impl Channel {
    /// Whether something may be an address of this kind: whether anybody is there shows when something is sent.
    ///
    /// ```
    /// use ritorno_core::facts::Channel;
    /// assert!(Channel::Text.may_be("+39 333 555 0100") && !Channel::Text.may_be("call me"));
    /// assert!(Channel::Mail.may_be("ada@mail.example") && !Channel::Mail.may_be("ada@@mail"));
    /// ```
    pub fn may_be(self, address: &str) -> bool {
        match self {
            Channel::Text => {
                let rest = address.strip_prefix('+').unwrap_or(address);
                let digits = rest.chars().filter(char::is_ascii_digit).count();
                let plain = |c: char| c.is_ascii_digit() || " -/()".contains(c);
                rest.chars().all(plain) && DIGITS.contains(&digits)
            }
            Channel::Mail => {
                let plain = |part: &str| {
                    !part.is_empty() && !part.contains(|c: char| c.is_whitespace() || c == '@')
                };
                address.chars().count() <= MAIL_LETTERS
                    && address
                        .split_once('@')
                        .is_some_and(|(who, at)| plain(who) && plain(at))
            }
        }
    }
}

/// What somebody is reminded of.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Serialize, Deserialize)]
#[serde(rename_all = "snake_case")]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub enum RemindedOf {
    /// An appointment.
    Appointment,
    /// The exercises of a day.
    Exercises,
}

/// What became of a reminder.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Serialize, Deserialize)]
#[serde(rename_all = "snake_case")]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub enum ReminderState {
    /// It is being handed over, and tried again where that fails.
    Sending,
    /// The service has taken it.
    Taken,
    /// It was delivered.
    Delivered,
    /// The service could not deliver it.
    Failed,
    /// The service does not take it: the address is wrong.
    Refused,
    /// It was too late, or no longer wanted, before the service took it.
    GivenUp,
}

/// What a patient agreed to be sent, and when they are left alone. Times are by the clinic's own clock.
#[derive(Debug, Clone, PartialEq, Eq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct Reminding {
    /// Which way; nothing where they want no reminders.
    pub channel: Option<Channel>,
    /// The number or the mail address; empty where they want no reminders.
    pub address: String,
    /// Whether they are reminded of appointments.
    pub appointments: bool,
    /// At what time they are reminded of a day's exercises; nothing where they are not.
    #[cfg_attr(feature = "schema", schema(value_type = Option<String>, example = "18:00:00"))]
    pub exercises_at: Option<NaiveTime>,
    /// From when on nothing is sent.
    #[cfg_attr(feature = "schema", schema(value_type = String, example = "20:00:00"))]
    pub quiet_from: NaiveTime,
    /// Until when nothing is sent; the same as `quiet_from` where they are never left alone.
    #[cfg_attr(feature = "schema", schema(value_type = String, example = "08:00:00"))]
    pub quiet_until: NaiveTime,
}

impl Reminding {
    /// What stands before a patient has agreed to anything: no reminders.
    pub fn none(known: &Knowledge) -> Reminding {
        let hour = |id: &str| {
            let minutes = (known.threshold(id) * 60.0) as u32;
            NaiveTime::from_hms_opt(minutes / 60, minutes % 60, 0).unwrap_or_default()
        };
        Reminding {
            channel: None,
            address: String::new(),
            appointments: true,
            exercises_at: None,
            quiet_from: hour("remind-quiet-from-hour"),
            quiet_until: hour("remind-quiet-until-hour"),
        }
    }

    /// The moment itself, or the end of the quiet hours it lies in.
    pub fn after_quiet(&self, at: NaiveDateTime) -> NaiveDateTime {
        let (from, until, time) = (self.quiet_from, self.quiet_until, at.time());
        let end = at.date().and_time(until);
        match from <= until {
            // Within one day; none where both are the same.
            true if (from..until).contains(&time) => end,
            true => at,
            // Over midnight.
            false if time < until => end,
            false if time >= from => end + Duration::days(1),
            false => at,
        }
    }

    /// When somebody is reminded of an appointment.
    pub fn before_appointment(&self, known: &Knowledge, begins: NaiveDateTime) -> NaiveDateTime {
        let minutes = known.threshold("remind-hours-before") * 60.0;
        self.after_quiet(begins - Duration::minutes(minutes as i64))
    }
}
