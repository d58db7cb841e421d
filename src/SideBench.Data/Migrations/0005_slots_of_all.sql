-- Lots, bottles and returns are told over all machines: by the few lines that name them, not by looking at everything.
CREATE INDEX entries_slots ON entries (kind, entry_id) WHERE kind IN ('slot-fitted', 'slots-filled');
CREATE INDEX entries_returns ON entries (entry_id) WHERE kind = 'mended' AND body ? 'returnBy';
