-- Calls that nobody wants laid just now, at each step of what people hold of the course.
ALTER TABLE course_step ADD COLUMN aside JSON NOT NULL DEFAULT '[]' AFTER drafts;
