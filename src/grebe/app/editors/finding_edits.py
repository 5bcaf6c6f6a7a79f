"""What is done about findings: mended, said to be intended, heard again. For every station."""

from __future__ import annotations

from grebe.app.live.session import Session
from grebe.core.findings import Finding, as_intended, mend, not_intended
from grebe.errors import EditError
from grebe.words import tr


class FindingEdits:
    """Edits of the document that a finding asks for."""

    def __init__(self, session: Session) -> None:
        self._session = session

    def mend(self, finding: Finding) -> None:
        """Do what it says, where Grebe can; what cannot be is said."""
        try:
            self._session.store.apply(finding.fix, lambda project: mend(project, finding))
        except EditError as error:
            self._session.say("warn", tr("{error}. Nothing was changed.", error=error))

    def mend_first(self, chosen: Finding | None, among: tuple[Finding, ...]) -> None:
        """Mend the one chosen, or the first of several that can be mended."""
        finding = chosen if chosen is not None and chosen.cure is not None else None
        finding = finding or next((f for f in among if f.cure is not None), None)
        if finding is not None:
            self.mend(finding)

    def accept(self, finding: Finding) -> None:
        """It is intended: quiet until what it rests on changes."""
        self._session.store.apply(
            tr("Intended: {message}", message=finding.message),
            lambda project: as_intended(project, finding),
        )

    def hear_again(self, finding: Finding) -> None:
        """It is heard again."""
        self._session.store.apply(
            tr("Hear again: {message}", message=finding.message),
            lambda project: not_intended(project, finding),
        )
