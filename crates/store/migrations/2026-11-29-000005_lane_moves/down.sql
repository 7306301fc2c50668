drop trigger moves on lane;
drop trigger moves_gone on lane;
drop trigger moves_put on lane;
drop function note_lane_moves;
drop table lane_move;
