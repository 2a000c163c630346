-- What the application may do with each table; run after every migration, by the account that migrates.

-- Facts: added and read, and by nobody changed or taken away.
GRANT SELECT, INSERT ON batch_event         TO potamos@'127.0.0.1';
GRANT SELECT, INSERT ON box_photo           TO potamos@'127.0.0.1';
GRANT SELECT, INSERT ON call_word           TO potamos@'127.0.0.1';
GRANT SELECT, INSERT ON formula             TO potamos@'127.0.0.1';
GRANT SELECT, INSERT ON hand_over           TO potamos@'127.0.0.1';
GRANT SELECT, INSERT ON hand_over_signature TO potamos@'127.0.0.1';
GRANT SELECT, INSERT ON larder_box          TO potamos@'127.0.0.1';
GRANT SELECT, INSERT, UPDATE, DELETE ON left_over       TO potamos@'127.0.0.1';
GRANT SELECT, INSERT ON larder_entry        TO potamos@'127.0.0.1';
GRANT SELECT, INSERT ON lot_stop            TO potamos@'127.0.0.1';
GRANT SELECT, INSERT ON photo               TO potamos@'127.0.0.1';
GRANT SELECT, INSERT ON photo_withdrawn     TO potamos@'127.0.0.1';
GRANT SELECT, INSERT ON first_run           TO potamos@'127.0.0.1';

-- Changed in place, and kept: what is put away is marked as that.
GRANT SELECT, INSERT, UPDATE ON account      TO potamos@'127.0.0.1';
GRANT SELECT, INSERT, UPDATE ON api_token    TO potamos@'127.0.0.1';
GRANT SELECT, INSERT, UPDATE ON batch        TO potamos@'127.0.0.1';
GRANT SELECT, INSERT, UPDATE ON batch_call   TO potamos@'127.0.0.1';
GRANT SELECT, INSERT, UPDATE ON bed_kind     TO potamos@'127.0.0.1';
GRANT SELECT, INSERT, UPDATE ON burner       TO potamos@'127.0.0.1';
GRANT SELECT, INSERT, UPDATE ON calendar_feed TO potamos@'127.0.0.1';
GRANT SELECT, INSERT, UPDATE ON chiller      TO potamos@'127.0.0.1';
GRANT SELECT, INSERT, UPDATE ON container    TO potamos@'127.0.0.1';
GRANT SELECT, INSERT, UPDATE ON device       TO potamos@'127.0.0.1';
GRANT SELECT, INSERT, UPDATE ON kitchen      TO potamos@'127.0.0.1';
GRANT SELECT, INSERT, UPDATE ON outage       TO potamos@'127.0.0.1';
GRANT SELECT, INSERT, UPDATE ON oven         TO potamos@'127.0.0.1';
GRANT SELECT, INSERT, UPDATE ON standing_call TO potamos@'127.0.0.1';
GRANT SELECT, INSERT, UPDATE ON station      TO potamos@'127.0.0.1';
GRANT SELECT, INSERT, UPDATE ON station_call TO potamos@'127.0.0.1';
GRANT SELECT, INSERT, UPDATE ON vessel       TO potamos@'127.0.0.1';

-- Made anew from the facts, or of the moment.
GRANT SELECT, INSERT, UPDATE, DELETE ON larder_taking   TO potamos@'127.0.0.1';
GRANT SELECT, INSERT, UPDATE, DELETE ON drawing         TO potamos@'127.0.0.1';
GRANT SELECT, INSERT, UPDATE, DELETE ON lot             TO potamos@'127.0.0.1';
GRANT SELECT, INSERT, UPDATE, DELETE ON course_step     TO potamos@'127.0.0.1';
GRANT SELECT, INSERT, UPDATE, DELETE ON course_held     TO potamos@'127.0.0.1';
GRANT SELECT, INSERT, UPDATE, DELETE ON delivery        TO potamos@'127.0.0.1';
GRANT SELECT, INSERT, UPDATE, DELETE ON change_log      TO potamos@'127.0.0.1';
GRANT SELECT, INSERT, UPDATE, DELETE ON device_reading  TO potamos@'127.0.0.1';
GRANT SELECT, INSERT, UPDATE, DELETE ON sign_in_try     TO potamos@'127.0.0.1';
GRANT SELECT, INSERT, UPDATE, DELETE ON formula_retired TO potamos@'127.0.0.1';
GRANT SELECT, INSERT, UPDATE ON shedlock                TO potamos@'127.0.0.1';
GRANT SELECT, INSERT, UPDATE, DELETE ON SPRING_SESSION  TO potamos@'127.0.0.1';
GRANT SELECT, INSERT, UPDATE, DELETE ON SPRING_SESSION_ATTRIBUTES TO potamos@'127.0.0.1';
