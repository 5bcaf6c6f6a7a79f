"""What each canvas shows as rows and columns in words, without Qt.

A drawing says nothing to who cannot see it. Beside each stands a table of the same things: a
screen reader reads it, what is selected and what has the keys is a cell of it, and a pointer
that rests over a cell is told its words.
"""
