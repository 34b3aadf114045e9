-- Each instance writes here to find out whether what it is told can be kept.
CREATE TABLE IF NOT EXISTS pulse (
    row_no INT NOT NULL PRIMARY KEY,
    at     DATETIME(6) NOT NULL
);
