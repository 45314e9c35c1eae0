-- Which of somebody's plans were copied is asked for each time the news are: among thousands there are few.

ALTER TABLE plans ADD KEY IF NOT EXISTS plans_copies (owner_id, origin_plan_id);
