-- Lots and bottles are told over all machines: by the few kinds of line that name them, not by looking at everything.
CREATE INDEX entries_slots ON entries (kind, entry_id) WHERE kind IN ('slot-fitted', 'slots-filled');
