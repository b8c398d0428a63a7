-- Of which content a piece was planned: a picture that was replaced keeps its row. Null for pieces that were planned before.
alter table piece add column original_digest text;

-- When a run's files were cleared away to make room, because somebody said so; its list stays.
alter table run add column cleared_at timestamptz;
