-- What a maker decided to pour for a step ahead, in ml; without it the cup's own share is worked out.
ALTER TABLE cup_step ADD COLUMN amount_ml DOUBLE NULL;
