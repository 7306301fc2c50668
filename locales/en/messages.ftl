# Reminders that are sent to a telephone or by mail. Others may read them: nothing of the shoulder stands here.

message-clinic = Your clinic
message-call = To change something, call { $number }.
message-appointment = { $clinic }: you have an appointment on { $weekday } { $day } { $month } at { $time }. { $call } Answer STOP and we send no more.
message-exercises = { $clinic }: your exercises for today are waiting. { $call } Answer STOP and we send no more.
