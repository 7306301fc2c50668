drop table home_phone;
drop table home_link;
