-- Of which content a piece was planned: a picture that was replaced keeps its row. Null for pieces that were planned before.
alter table piece add column original_digest text;
