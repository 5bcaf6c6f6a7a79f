<?xml version="1.0" encoding="utf-8"?>
<!DOCTYPE TS>
<TS version="2.1" language="de" sourcelanguage="en">
 <context>
  <name>grebe</name>
  <message>
   <location filename="../../app/actions/buttons.py" />
   <source>Add a box</source>
   <translation>Gerät dazu</translation>
  </message>
  <message>
   <location filename="../../app/actions/buttons.py" />
   <source>Best leader</source>
   <translation>Bester Taktgeber</translation>
  </message>
  <message>
   <location filename="../../app/actions/buttons.py" />
   <source>Cable</source>
   <translation>Kabel</translation>
  </message>
  <message>
   <location filename="../../app/actions/buttons.py" />
   <source>Who plays</source>
   <translation>Wer spielt</translation>
  </message>
  <message>
   <location filename="../../app/actions/buttons.py" />
   <source>Let it lead</source>
   <translation>Führen lassen</translation>
  </message>
  <message>
   <location filename="../../app/actions/buttons.py" />
   <source>Thru</source>
   <translation>Thru</translation>
  </message>
  <message>
   <location filename="../../app/actions/buttons.py" />
   <source>JACK</source>
   <translation>JACK</translation>
  </message>
  <message>
   <location filename="../../app/actions/buttons.py" />
   <source>Count-in</source>
   <translation>Einzähler</translation>
  </message>
  <message>
   <location filename="../../app/actions/buttons.py" />
   <source>Set its offset</source>
   <translation>Versatz setzen</translation>
  </message>
  <message>
   <location filename="../../app/actions/buttons.py" />
   <source>Check it</source>
   <translation>Prüfen</translation>
  </message>
  <message>
   <location filename="../../app/actions/buttons.py" />
   <source>Check all</source>
   <translation>Alle prüfen</translation>
  </message>
  <message>
   <location filename="../../app/actions/buttons.py" />
   <source>A recording</source>
   <translation>Eine Aufnahme</translation>
  </message>
  <message>
   <location filename="../../app/actions/buttons.py" />
   <source>Probe it</source>
   <translation>Ausforschen</translation>
  </message>
  <message>
   <location filename="../../app/actions/buttons.py" />
   <source>Take over</source>
   <translation>Übernehmen</translation>
  </message>
  <message>
   <location filename="../../app/actions/buttons.py" />
   <source>Join or leave</source>
   <translation>Bei- oder austreten</translation>
  </message>
  <message>
   <location filename="../../app/actions/buttons.py" />
   <source>Accept</source>
   <translation>Annehmen</translation>
  </message>
  <message>
   <location filename="../../app/actions/buttons.py" />
   <source>Its stage</source>
   <translation>Seine Bühne</translation>
  </message>
  <message>
   <location filename="../../app/actions/buttons.py" />
   <source>Settings</source>
   <translation>Einstellungen</translation>
  </message>
  <message>
   <location filename="../../app/actions/buttons.py" />
   <source>New pattern</source>
   <translation>Neues Pattern</translation>
  </message>
  <message>
   <location filename="../../app/actions/buttons.py" />
   <source>Variation</source>
   <translation>Variation</translation>
  </message>
  <message>
   <location filename="../../app/actions/buttons.py" />
   <source>In the box now</source>
   <translation>Jetzt im Gerät</translation>
  </message>
  <message>
   <location filename="../../app/actions/buttons.py" />
   <source>Import</source>
   <translation>Importieren</translation>
  </message>
  <message>
   <location filename="../../app/actions/buttons.py" />
   <source>Write</source>
   <translation>Schreiben</translation>
  </message>
  <message>
   <location filename="../../app/actions/buttons.py" />
   <source>Generate</source>
   <translation>Erzeugen</translation>
  </message>
  <message>
   <location filename="../../app/actions/buttons.py" />
   <source>Accent</source>
   <translation>Akzent</translation>
  </message>
  <message>
   <location filename="../../app/actions/buttons.py" />
   <source>Chance</source>
   <translation>Zufall</translation>
  </message>
  <message>
   <location filename="../../app/actions/buttons.py" />
   <source>Rotate</source>
   <translation>Rotieren</translation>
  </message>
  <message>
   <location filename="../../app/actions/buttons.py" />
   <source>New scene</source>
   <translation>Neue Szene</translation>
  </message>
  <message>
   <location filename="../../app/actions/buttons.py" />
   <source>Duplicate</source>
   <translation>Verdoppeln</translation>
  </message>
  <message>
   <location filename="../../app/actions/buttons.py" />
   <source>No drums</source>
   <translation>Ohne Drums</translation>
  </message>
  <message>
   <location filename="../../app/actions/buttons.py" />
   <source>Mutes saved</source>
   <translation>Mutes gespeichert</translation>
  </message>
  <message>
   <location filename="../../app/actions/buttons.py" />
   <source>Mute</source>
   <translation>Stumm</translation>
  </message>
  <message>
   <location filename="../../app/actions/buttons.py" />
   <source>Next pattern</source>
   <translation>Nächstes Pattern</translation>
  </message>
  <message>
   <location filename="../../app/actions/buttons.py" />
   <source>Drums out</source>
   <translation>Drums raus</translation>
  </message>
  <message>
   <location filename="../../app/actions/buttons.py" />
   <source>Verse and hook</source>
   <translation>Strophe und Hook</translation>
  </message>
  <message>
   <location filename="../../app/actions/buttons.py" />
   <source>Build and drop</source>
   <translation>Aufbau und Drop</translation>
  </message>
  <message>
   <location filename="../../app/actions/buttons.py" />
   <source>Print</source>
   <translation>Drucken</translation>
  </message>
  <message>
   <location filename="../../app/actions/buttons.py" />
   <source>Bring it in</source>
   <translation>Einsetzen</translation>
  </message>
  <message>
   <location filename="../../app/actions/buttons.py" />
   <source>Fill</source>
   <translation>Fill</translation>
  </message>
  <message>
   <location filename="../../app/actions/buttons.py" />
   <source>New section</source>
   <translation>Neuer Abschnitt</translation>
  </message>
  <message>
   <location filename="../../app/actions/buttons.py" />
   <source>Loop</source>
   <translation>Schleife</translation>
  </message>
  <message>
   <location filename="../../app/actions/buttons.py" />
   <source>Marker</source>
   <translation>Marke</translation>
  </message>
  <message>
   <location filename="../../app/actions/buttons.py" />
   <source>New set</source>
   <translation>Neues Set</translation>
  </message>
  <message>
   <location filename="../../app/actions/buttons.py" />
   <source>Add a song</source>
   <translation>Song dazu</translation>
  </message>
  <message>
   <location filename="../../app/actions/buttons.py" />
   <source>From CSV</source>
   <translation>Aus CSV</translation>
  </message>
  <message>
   <location filename="../../app/actions/buttons.py" />
   <source>How it comes in</source>
   <translation>Wie er einsetzt</translation>
  </message>
  <message>
   <location filename="../../app/actions/buttons.py" />
   <source>Best order</source>
   <translation>Beste Reihenfolge</translation>
  </message>
  <message>
   <location filename="../../app/actions/buttons.py" />
   <source>Rehearse</source>
   <translation>Proben</translation>
  </message>
  <message>
   <location filename="../../app/actions/buttons.py" />
   <source>Drill</source>
   <translation>Üben</translation>
  </message>
  <message>
   <location filename="../../app/actions/buttons.py" />
   <source>Slower</source>
   <translation>Langsamer</translation>
  </message>
  <message>
   <location filename="../../app/actions/buttons.py" />
   <source>On the one</source>
   <translation>Auf die Eins</translation>
  </message>
  <message>
   <location filename="../../app/actions/buttons.py" />
   <source>Write it</source>
   <translation>Schreiben</translation>
  </message>
  <message>
   <location filename="../../app/actions/buttons.py" />
   <source>Use it</source>
   <translation>Einsetzen</translation>
  </message>
  <message>
   <location filename="../../app/actions/buttons.py" />
   <source>Copy</source>
   <translation>Kopieren</translation>
  </message>
  <message>
   <location filename="../../app/actions/buttons.py" />
   <source>Undo</source>
   <translation>Rückgängig</translation>
  </message>
  <message>
   <location filename="../../app/actions/buttons.py" />
   <source>Redo</source>
   <translation>Wiederholen</translation>
  </message>
  <message>
   <location filename="../../app/actions/buttons.py" />
   <source>Run or stop</source>
   <translation>Start oder Stopp</translation>
  </message>
  <message>
   <location filename="../../app/actions/buttons.py" />
   <source>Let go</source>
   <translation>Loslassen</translation>
  </message>
  <message>
   <location filename="../../app/actions/finding.py" />
   <source>{song}, section {at}</source>
   <translation>{song}, Abschnitt {at}</translation>
  </message>
  <message>
   <location filename="../../app/actions/gestures.py" />
   <source>What is connected, who leads the clock, will it lock? Boxes and cables are drawn from their tables; findings stand under them.</source>
   <translation>Was ist verbunden, wer führt die Clock, läuft alles zusammen? Geräte und Kabel sind aus ihren Tabellen gezeichnet; Befunde stehen darunter.</translation>
  </message>
  <message>
   <location filename="../../app/actions/gestures.py" />
   <source>How far off is each box, is it drifting, what should be set? Live, and of recordings.</source>
   <translation>Wie weit daneben ist jedes Gerät, driftet es, was ist einzustellen? Live und aus Aufnahmen.</translation>
  </message>
  <message>
   <location filename="../../app/actions/gestures.py" />
   <source>What does each box play? Every hit is a stem on the waterline of its voice.</source>
   <translation>Was spielt jedes Gerät? Jeder Schlag ist ein Halm auf der Wasserlinie seiner Stimme.</translation>
  </message>
  <message>
   <location filename="../../app/actions/gestures.py" />
   <source>What sounds together, what changes from one to the next, and can two hands make the change? A line runs on while nothing changes; a ring is Grebe's, a diamond is yours.</source>
   <translation>Was klingt zusammen, was ändert sich vom einen zum nächsten, und schaffen zwei Hände den Wechsel? Eine Linie läuft weiter, solange sich nichts ändert; ein Ring ist Grebes, eine Raute deine.</translation>
  </message>
  <message>
   <location filename="../../app/actions/gestures.py" />
   <source>How does it go, how long is it, where does it sag? Mutes lie over the bands and destroy nothing.</source>
   <translation>Wie geht er, wie lang ist er, wo hängt er durch? Mutes liegen über den Bändern und zerstören nichts.</translation>
  </message>
  <message>
   <location filename="../../app/actions/gestures.py" />
   <source>In what order, at what tempi and keys, does it fit the slot?</source>
   <translation>In welcher Reihenfolge, in welchen Tempi und Tonarten, passt es in die Spielzeit?</translation>
  </message>
  <message>
   <location filename="../../app/actions/gestures.py" />
   <source>Now, next, when, and your move. One key each; nothing here can delete anything.</source>
   <translation>Jetzt, danach, wann, und dein Griff. Je eine Taste; nichts kann hier etwas löschen.</translation>
  </message>
  <message>
   <location filename="../../app/actions/gestures.py" />
   <source>What happened, and what keeps going wrong? Runs, boxes and changes over the evenings; nothing leaves this computer.</source>
   <translation>Was ist geschehen, und was geht immer wieder schief? Durchläufe, Geräte und Wechsel über die Abende; nichts verlässt diesen Rechner.</translation>
  </message>
  <message>
   <location filename="../../app/actions/gestures.py" />
   <source>The arithmetic on its own: each answer in a sentence, a table, and to copy.</source>
   <translation>Das Rechnen für sich: jede Antwort als Satz, als Tabelle und zum Kopieren.</translation>
  </message>
  <message>
   <location filename="../../app/actions/gestures.py" />
   <source>Click on a box</source>
   <translation>Klick auf ein Gerät</translation>
  </message>
  <message>
   <location filename="../../app/actions/gestures.py" />
   <source>takes it in hand</source>
   <translation>nimmt es in die Hand</translation>
  </message>
  <message>
   <location filename="../../app/actions/gestures.py" />
   <source>Double click</source>
   <translation>Doppelklick</translation>
  </message>
  <message>
   <location filename="../../app/actions/gestures.py" />
   <source>its settings</source>
   <translation>seine Einstellungen</translation>
  </message>
  <message>
   <location filename="../../app/actions/gestures.py" />
   <source>Drag a box onto another</source>
   <translation>Ein Gerät auf ein anderes ziehen</translation>
  </message>
  <message>
   <location filename="../../app/actions/gestures.py" />
   <source>proposes the cable that fits</source>
   <translation>schlägt das passende Kabel vor</translation>
  </message>
  <message>
   <location filename="../../app/actions/gestures.py" />
   <source>Drag from a box's right end to another's left</source>
   <translation>Vom rechten Ende eines Geräts zum linken eines anderen ziehen</translation>
  </message>
  <message>
   <location filename="../../app/actions/gestures.py" />
   <source>runs that cable at once</source>
   <translation>steckt dieses Kabel sofort</translation>
  </message>
  <message>
   <location filename="../../app/actions/gestures.py" />
   <source>Drop a profile or a MIDI file</source>
   <translation>Ein Profil oder eine MIDI-Datei ablegen</translation>
  </message>
  <message>
   <location filename="../../app/actions/gestures.py" />
   <source>adds the box, or asks where it goes</source>
   <translation>fügt das Gerät hinzu oder fragt, wohin sie soll</translation>
  </message>
  <message>
   <location filename="../../app/actions/gestures.py" />
   <source>Rest on a cable</source>
   <translation>Auf einem Kabel ruhen</translation>
  </message>
  <message>
   <location filename="../../app/actions/gestures.py" />
   <source>what flows there, at what rate, how late</source>
   <translation>was dort fließt, mit welcher Rate, wie spät</translation>
  </message>
  <message>
   <location filename="../../app/actions/gestures.py" />
   <source>Click on a strip</source>
   <translation>Klick auf einen Streifen</translation>
  </message>
  <message>
   <location filename="../../app/actions/gestures.py" />
   <source>takes the box in hand</source>
   <translation>nimmt das Gerät in die Hand</translation>
  </message>
  <message>
   <location filename="../../app/actions/gestures.py" />
   <source>Drag a strip sideways</source>
   <translation>Einen Streifen seitwärts ziehen</translation>
  </message>
  <message>
   <location filename="../../app/actions/gestures.py" />
   <source>goes back through time</source>
   <translation>geht in der Zeit zurück</translation>
  </message>
  <message>
   <location filename="../../app/actions/gestures.py" />
   <source>Shift and drag</source>
   <translation>Umschalt und ziehen</translation>
  </message>
  <message>
   <location filename="../../app/actions/gestures.py" />
   <source>measures that stretch alone</source>
   <translation>misst nur dieses Stück</translation>
  </message>
  <message>
   <location filename="../../app/actions/gestures.py" />
   <source>Click on a row</source>
   <translation>Klick auf eine Zeile</translation>
  </message>
  <message>
   <location filename="../../app/actions/gestures.py" />
   <source>writes a hit; on a hit removes it</source>
   <translation>schreibt einen Schlag; auf einem Schlag entfernt er ihn</translation>
  </message>
  <message>
   <location filename="../../app/actions/gestures.py" />
   <source>Drag along a row</source>
   <translation>Eine Zeile entlang ziehen</translation>
  </message>
  <message>
   <location filename="../../app/actions/gestures.py" />
   <source>paints hits</source>
   <translation>malt Schläge</translation>
  </message>
  <message>
   <location filename="../../app/actions/gestures.py" />
   <source>Drag a hit up or down</source>
   <translation>Schlag auf oder ab ziehen</translation>
  </message>
  <message>
   <location filename="../../app/actions/gestures.py" />
   <source>its velocity; sideways another step</source>
   <translation>seine Anschlagstärke; seitwärts ein anderer Schritt</translation>
  </message>
  <message>
   <location filename="../../app/actions/gestures.py" />
   <source>Alt and drag a hit</source>
   <translation>Alt und einen Schlag ziehen</translation>
  </message>
  <message>
   <location filename="../../app/actions/gestures.py" />
   <source>its timing</source>
   <translation>sein Timing</translation>
  </message>
  <message>
   <location filename="../../app/actions/gestures.py" />
   <source>Drag a held note's end</source>
   <translation>Das Ende einer gehaltenen Note ziehen</translation>
  </message>
  <message>
   <location filename="../../app/actions/gestures.py" />
   <source>how long it is held</source>
   <translation>wie lange sie gehalten wird</translation>
  </message>
  <message>
   <location filename="../../app/actions/gestures.py" />
   <source>Drag a row's end</source>
   <translation>Ende einer Zeile ziehen</translation>
  </message>
  <message>
   <location filename="../../app/actions/gestures.py" />
   <source>its length</source>
   <translation>ihre Länge</translation>
  </message>
  <message>
   <location filename="../../app/actions/gestures.py" />
   <source>Drag a row's name</source>
   <translation>Den Namen einer Zeile ziehen</translation>
  </message>
  <message>
   <location filename="../../app/actions/gestures.py" />
   <source>its place among the rows</source>
   <translation>ihr Platz unter den Zeilen</translation>
  </message>
  <message>
   <location filename="../../app/actions/gestures.py" />
   <source>Double click on a name</source>
   <translation>Doppelklick auf einen Namen</translation>
  </message>
  <message>
   <location filename="../../app/actions/gestures.py" />
   <source>renames it</source>
   <translation>benennt sie um</translation>
  </message>
  <message>
   <location filename="../../app/actions/gestures.py" />
   <source>selects; what is selected can be dragged, with Ctrl a copy</source>
   <translation>wählt aus; Ausgewähltes lässt sich ziehen, mit Strg eine Kopie</translation>
  </message>
  <message>
   <location filename="../../app/actions/gestures.py" />
   <source>Drag over a lane</source>
   <translation>Über eine Spur ziehen</translation>
  </message>
  <message>
   <location filename="../../app/actions/gestures.py" />
   <source>draws it; with Alt a line</source>
   <translation>zeichnet sie; mit Alt eine Gerade</translation>
  </message>
  <message>
   <location filename="../../app/actions/gestures.py" />
   <source>Wheel</source>
   <translation>Rad</translation>
  </message>
  <message>
   <location filename="../../app/actions/gestures.py" />
   <source>scrolls; with Ctrl zooms at the pointer</source>
   <translation>rollt; mit Strg zoomt es am Zeiger</translation>
  </message>
  <message>
   <location filename="../../app/actions/gestures.py" />
   <source>Drop a MIDI or WAV file</source>
   <translation>MIDI- oder WAV-Datei ablegen</translation>
  </message>
  <message>
   <location filename="../../app/actions/gestures.py" />
   <source>imports it</source>
   <translation>importiert sie</translation>
  </message>
  <message>
   <location filename="../../app/actions/gestures.py" />
   <source>Click</source>
   <translation>Klick</translation>
  </message>
  <message>
   <location filename="../../app/actions/gestures.py" />
   <source>takes scene and box in hand</source>
   <translation>nimmt Szene und Gerät in die Hand</translation>
  </message>
  <message>
   <location filename="../../app/actions/gestures.py" />
   <source>Drag a scene by its head</source>
   <translation>Eine Szene am Kopf ziehen</translation>
  </message>
  <message>
   <location filename="../../app/actions/gestures.py" />
   <source>to another place</source>
   <translation>an einen anderen Platz</translation>
  </message>
  <message>
   <location filename="../../app/actions/gestures.py" />
   <source>Drag a cell onto another scene</source>
   <translation>Eine Zelle auf eine andere Szene ziehen</translation>
  </message>
  <message>
   <location filename="../../app/actions/gestures.py" />
   <source>the box does the same there</source>
   <translation>das Gerät tut dort dasselbe</translation>
  </message>
  <message>
   <location filename="../../app/actions/gestures.py" />
   <source>Drag a pattern's name onto a cell</source>
   <translation>Den Namen eines Patterns auf eine Zelle ziehen</translation>
  </message>
  <message>
   <location filename="../../app/actions/gestures.py" />
   <source>it plays there; with Ctrl after the others</source>
   <translation>es spielt dort; mit Strg nach den anderen</translation>
  </message>
  <message>
   <location filename="../../app/actions/gestures.py" />
   <source>Double click on a cell</source>
   <translation>Doppelklick auf eine Zelle</translation>
  </message>
  <message>
   <location filename="../../app/actions/gestures.py" />
   <source>its chain as a list</source>
   <translation>seine Kette als Liste</translation>
  </message>
  <message>
   <location filename="../../app/actions/gestures.py" />
   <source>scrolls through the scenes</source>
   <translation>blättert durch die Szenen</translation>
  </message>
  <message>
   <location filename="../../app/actions/gestures.py" />
   <source>Drag over rows and bars</source>
   <translation>Über Zeilen und Takte ziehen</translation>
  </message>
  <message>
   <location filename="../../app/actions/gestures.py" />
   <source>selects them</source>
   <translation>wählt sie aus</translation>
  </message>
  <message>
   <location filename="../../app/actions/gestures.py" />
   <source>Drag along the ruler</source>
   <translation>Am Lineal entlang ziehen</translation>
  </message>
  <message>
   <location filename="../../app/actions/gestures.py" />
   <source>those bars over and over, while it plays</source>
   <translation>diese Takte immer wieder, während es spielt</translation>
  </message>
  <message>
   <location filename="../../app/actions/gestures.py" />
   <source>Drag a section's end</source>
   <translation>Das Ende eines Abschnitts ziehen</translation>
  </message>
  <message>
   <location filename="../../app/actions/gestures.py" />
   <source>how many passes</source>
   <translation>wie viele Durchgänge</translation>
  </message>
  <message>
   <location filename="../../app/actions/gestures.py" />
   <source>Drag a section's head</source>
   <translation>Den Kopf eines Abschnitts ziehen</translation>
  </message>
  <message>
   <location filename="../../app/actions/gestures.py" />
   <source>Drag a mute, or its edge</source>
   <translation>Eine Stummschaltung oder ihre Kante ziehen</translation>
  </message>
  <message>
   <location filename="../../app/actions/gestures.py" />
   <source>elsewhere, longer or shorter</source>
   <translation>woandershin, länger oder kürzer</translation>
  </message>
  <message>
   <location filename="../../app/actions/gestures.py" />
   <source>Drag a marker or a curve's point</source>
   <translation>Eine Marke oder den Punkt einer Kurve ziehen</translation>
  </message>
  <message>
   <location filename="../../app/actions/gestures.py" />
   <source>elsewhere</source>
   <translation>woandershin</translation>
  </message>
  <message>
   <location filename="../../app/actions/gestures.py" />
   <source>Shift and click</source>
   <translation>Umschalt und Klick</translation>
  </message>
  <message>
   <location filename="../../app/actions/gestures.py" />
   <source>selects up to there</source>
   <translation>wählt bis dorthin</translation>
  </message>
  <message>
   <location filename="../../app/actions/gestures.py" />
   <source>Drag a song</source>
   <translation>Einen Song ziehen</translation>
  </message>
  <message>
   <location filename="../../app/actions/gestures.py" />
   <source>to another place; what that costs is said</source>
   <translation>an einen anderen Platz; was das kostet, wird gesagt</translation>
  </message>
  <message>
   <location filename="../../app/actions/gestures.py" />
   <source>Drag where a song begins</source>
   <translation>Am Anfang eines Songs ziehen</translation>
  </message>
  <message>
   <location filename="../../app/actions/gestures.py" />
   <source>the silence or the ramp before it</source>
   <translation>die Stille oder die Rampe davor</translation>
  </message>
  <message>
   <location filename="../../app/actions/gestures.py" />
   <source>Drag the line of energy</source>
   <translation>Die Linie der Energie ziehen</translation>
  </message>
  <message>
   <location filename="../../app/actions/gestures.py" />
   <source>draws the wish</source>
   <translation>zeichnet den Wunsch</translation>
  </message>
  <message>
   <location filename="../../app/actions/gestures.py" />
   <source>Touch a target, block or section</source>
   <translation>Ein Ziel, einen Block oder Abschnitt berühren</translation>
  </message>
  <message>
   <location filename="../../app/actions/gestures.py" />
   <source>does it; while something plays hold it half a second</source>
   <translation>tut es; während etwas spielt eine halbe Sekunde halten</translation>
  </message>
  <message>
   <location filename="../../app/actions/gestures.py" />
   <source>Touch Alone first</source>
   <translation>Zuerst Allein berühren</translation>
  </message>
  <message>
   <location filename="../../app/actions/gestures.py" />
   <source>blocks let their box play alone</source>
   <translation>Blöcke lassen ihr Gerät allein spielen</translation>
  </message>
  <message>
   <location filename="../../app/actions/gestures.py" />
   <source>Click on a stem or a mark</source>
   <translation>Klick auf einen Stängel oder ein Zeichen</translation>
  </message>
  <message>
   <location filename="../../app/actions/gestures.py" />
   <source>takes it in hand, in the table, too</source>
   <translation>nimmt es in die Hand, auch in der Tabelle</translation>
  </message>
  <message>
   <location filename="../../app/actions/gestures.py" />
   <source>Wheel over the list</source>
   <translation>Rad über der Liste</translation>
  </message>
  <message>
   <location filename="../../app/actions/gestures.py" />
   <source>goes through what there is</source>
   <translation>geht durch, was es gibt</translation>
  </message>
  <message>
   <location filename="../../app/actions/gestures.py" />
   <source>Click on a calculator</source>
   <translation>Klick auf einen Rechner</translation>
  </message>
  <message>
   <location filename="../../app/actions/gestures.py" />
   <source>takes it</source>
   <translation>nimmt ihn</translation>
  </message>
  <message>
   <location filename="../../app/actions/keymap.py" />
   <source>this is no file of keys: its format is {format!r}</source>
   <translation>das ist keine Tastendatei: ihr Format ist {format!r}</translation>
  </message>
  <message>
   <location filename="../../app/actions/keymap.py" />
   <source>it has keys for what Grebe cannot do: {names}</source>
   <translation>sie hat Tasten für etwas, das Grebe nicht kann: {names}</translation>
  </message>
  <message>
   <location filename="../../app/actions/keymap.py" />
   <source>this is no file of keys: {error}</source>
   <translation>das ist keine Tastendatei: {error}</translation>
  </message>
  <message>
   <location filename="../../app/actions/model.py" />
   <source>everywhere</source>
   <translation>überall</translation>
  </message>
  <message>
   <location filename="../../app/actions/needs.py" />
   <source>There is no box yet: {add_box} in Rig adds one</source>
   <translation>Noch kein Gerät da: {add_box} im Rig fügt eins hinzu</translation>
  </message>
  <message>
   <location filename="../../app/actions/needs.py" />
   <source>No box of the rig is a drum box</source>
   <translation>Kein Gerät des Rigs ist ein Drumcomputer</translation>
  </message>
  <message>
   <location filename="../../app/actions/needs.py" />
   <source>No box of the rig has loop tracks</source>
   <translation>Kein Gerät des Rigs hat Loop-Spuren</translation>
  </message>
  <message>
   <location filename="../../app/actions/needs.py" />
   <source>There is no pattern yet: {new_pattern} in Patterns makes one</source>
   <translation>Noch kein Pattern da: {new_pattern} in Patterns macht eins</translation>
  </message>
  <message>
   <location filename="../../app/actions/needs.py" />
   <source>The pattern has no voice yet: {add_voice} adds one</source>
   <translation>Das Pattern hat noch keine Stimme: {add_voice} fügt eine hinzu</translation>
  </message>
  <message>
   <location filename="../../app/actions/needs.py" />
   <source>There is no hit under the cursor: {toggle} writes one</source>
   <translation>Unter dem Cursor ist kein Schlag: {toggle} schreibt einen</translation>
  </message>
  <message>
   <location filename="../../app/actions/needs.py" />
   <source>Nothing has been copied yet: {copy} copies</source>
   <translation>Noch nichts kopiert: {copy} kopiert</translation>
  </message>
  <message>
   <location filename="../../app/actions/needs.py" />
   <source>There is no scene yet: {new_scene} in Scenes makes one</source>
   <translation>Noch keine Szene da: {new_scene} in Szenen macht eine</translation>
  </message>
  <message>
   <location filename="../../app/actions/needs.py" />
   <source>There is no song yet: {form_verse} makes one of the scenes</source>
   <translation>Noch kein Song da: {form_verse} macht einen aus den Szenen</translation>
  </message>
  <message>
   <location filename="../../app/actions/needs.py" />
   <source>The song has no section yet: {insert_section} in Song adds one</source>
   <translation>Der Song hat noch keinen Abschnitt: {insert_section} im Song fügt einen ein</translation>
  </message>
  <message>
   <location filename="../../app/actions/needs.py" />
   <source>There is no set yet: {new_set} makes one</source>
   <translation>Noch kein Set da: {new_set} macht eins</translation>
  </message>
  <message>
   <location filename="../../app/actions/needs.py" />
   <source>The set has no song yet: {add_song} puts one in</source>
   <translation>Das Set hat noch keinen Song: {add_song} setzt einen hinein</translation>
  </message>
  <message>
   <location filename="../../app/actions/needs.py" />
   <source>There is no other song</source>
   <translation>Es gibt keinen anderen Song</translation>
  </message>
  <message>
   <location filename="../../app/actions/needs.py" />
   <source>There is no other set</source>
   <translation>Es gibt kein anderes Set</translation>
  </message>
  <message>
   <location filename="../../app/actions/needs.py" />
   <source>Nothing plays: {run_stop} runs it</source>
   <translation>Nichts spielt: {run_stop} startet</translation>
  </message>
  <message>
   <location filename="../../app/actions/needs.py" />
   <source>Stop first: something else is loaded only while nothing plays</source>
   <translation>Erst anhalten: anderes wird nur geladen, während nichts spielt</translation>
  </message>
  <message>
   <location filename="../../app/actions/needs.py" />
   <source>The engine is not there yet: it is being started</source>
   <translation>Die Engine ist noch nicht da: sie wird gestartet</translation>
  </message>
  <message>
   <location filename="../../app/actions/needs.py" />
   <source>No engine is there: one is being started</source>
   <translation>Keine Engine da: eine wird gestartet</translation>
  </message>
  <message>
   <location filename="../../app/actions/needs.py" />
   <source>No engine plays another project</source>
   <translation>Keine Engine spielt ein anderes Projekt</translation>
  </message>
  <message>
   <location filename="../../app/actions/needs.py" />
   <source>No computer waits to be accepted</source>
   <translation>Kein Computer wartet auf Annahme</translation>
  </message>
  <message>
   <location filename="../../app/actions/needs.py" />
   <source>There is nothing to undo</source>
   <translation>Es gibt nichts rückgängig zu machen</translation>
  </message>
  <message>
   <location filename="../../app/actions/needs.py" />
   <source>There is nothing to bring back</source>
   <translation>Es gibt nichts wiederzuholen</translation>
  </message>
  <message>
   <location filename="../../app/actions/needs.py" />
   <source>There is nothing to look at here</source>
   <translation>Hier ist nichts anzusehen</translation>
  </message>
  <message>
   <location filename="../../app/actions/needs.py" />
   <source>Not on Stage: what the document holds is safe here</source>
   <translation>Nicht auf der Bühne: was im Projekt steht, ist hier sicher</translation>
  </message>
  <message>
   <location filename="../../app/actions/needs.py" />
   <source>Nothing here that it works on: it does in {where}.</source>
   <translation>Hier ist nichts, woran es wirkt: das tut es in {where}.</translation>
  </message>
  <message>
   <location filename="../../app/actions/table.py" />
   <source>add a part to what is in hand</source>
   <translation>etwas zu dem in der Hand hinzufügen</translation>
  </message>
  <message>
   <location filename="../../app/actions/table.py" />
   <source>about the box</source>
   <translation>ums Gerät</translation>
  </message>
  <message>
   <location filename="../../app/actions/table.py" />
   <source>drop out</source>
   <translation>herausnehmen</translation>
  </message>
  <message>
   <location filename="../../app/actions/table.py" />
   <source>strokes of a hit</source>
   <translation>Wirbel eines Schlags</translation>
  </message>
  <message>
   <location filename="../../app/actions/table.py" />
   <source>listen and record</source>
   <translation>hören und aufnehmen</translation>
  </message>
  <message>
   <location filename="../../app/actions/table.py" />
   <source>new here</source>
   <translation>neu hier</translation>
  </message>
  <message>
   <location filename="../../app/actions/table.py" />
   <source>over and over</source>
   <translation>immer wieder</translation>
  </message>
  <message>
   <location filename="../../app/actions/table.py" />
   <source>carry on</source>
   <translation>weiterlaufen</translation>
  </message>
  <message>
   <location filename="../../app/actions/table.py" />
   <source>a variation</source>
   <translation>eine Variation</translation>
  </message>
  <message>
   <location filename="../../app/actions/table.py" />
   <source>who does it</source>
   <translation>wer es tut</translation>
  </message>
  <message>
   <location filename="../../app/actions/table.py" />
   <source>tick: a hit, a move done</source>
   <translation>abhaken: ein Schlag, ein getaner Griff</translation>
  </message>
  <message>
   <location filename="../../app/carrying.py" />
   <source>what lies on the clipboard is too large</source>
   <translation>was in der Zwischenablage liegt, ist zu groß</translation>
  </message>
  <message>
   <location filename="../../app/carrying.py" />
   <source>what lies on the clipboard is of another Grebe</source>
   <translation>was in der Zwischenablage liegt, ist von einem anderen Grebe</translation>
  </message>
  <message>
   <location filename="../../app/carrying.py" />
   <source>the clipboard</source>
   <translation>die Zwischenablage</translation>
  </message>
  <message>
   <location filename="../../app/carrying.py" />
   <source>what lies on the clipboard cannot be read: {error}</source>
   <translation>was in der Zwischenablage liegt, lässt sich nicht lesen: {error}</translation>
  </message>
  <message>
   <location filename="../../app/choices.py" />
   <source>Theme</source>
   <translation>Farben</translation>
  </message>
  <message>
   <location filename="../../app/choices.py" />
   <source>Day and Night, or as the desktop has it. Stage is always dark.</source>
   <translation>Tag und Nacht, oder wie der Desktop sie hat. Die Bühne ist immer dunkel.</translation>
  </message>
  <message>
   <location filename="../../app/choices.py" />
   <source>dark light colours</source>
   <translation>dunkel hell Farben Thema</translation>
  </message>
  <message>
   <location filename="../../app/choices.py" />
   <source>Stage dimmer</source>
   <translation>Stage dunkler</translation>
  </message>
  <message>
   <location filename="../../app/choices.py" />
   <source>0 as bright as it is, 1 and 2 dimmer.</source>
   <translation>0 so hell, wie es ist, 1 und 2 dunkler.</translation>
  </message>
  <message>
   <location filename="../../app/choices.py" />
   <source>brightness night dark</source>
   <translation>Helligkeit Nacht dunkel</translation>
  </message>
  <message>
   <location filename="../../app/choices.py" />
   <source>Language</source>
   <translation>Sprache</translation>
  </message>
  <message>
   <location filename="../../app/choices.py" />
   <source>As the desktop has it, or one of the two. From the next start on.</source>
   <translation>Wie der Desktop sie hat, oder eine der zwei. Ab dem nächsten Start.</translation>
  </message>
  <message>
   <location filename="../../app/choices.py" />
   <source>translation english german</source>
   <translation>übersetzung englisch deutsch language</translation>
  </message>
  <message>
   <location filename="../../app/choices.py" />
   <source>Size</source>
   <translation>Größe</translation>
  </message>
  <message>
   <location filename="../../app/choices.py" />
   <source>Of everything in the window, 80 to 200 %. From the next start on.</source>
   <translation>Von allem im Fenster, 80 bis 200 %. Ab dem nächsten Start.</translation>
  </message>
  <message>
   <location filename="../../app/choices.py" />
   <source>type font zoom scale large small</source>
   <translation>Schrift Zoom groß klein</translation>
  </message>
  <message>
   <location filename="../../app/choices.py" />
   <source>Menu bar on Stage</source>
   <translation>Menüleiste auf der Bühne</translation>
  </message>
  <message>
   <location filename="../../app/choices.py" />
   <source>Off: Stage has the whole height.</source>
   <translation>Aus: die Bühne hat die ganze Höhe.</translation>
  </message>
  <message>
   <location filename="../../app/choices.py" />
   <source>Sheet at the right</source>
   <translation>Blatt rechts</translation>
  </message>
  <message>
   <location filename="../../app/choices.py" />
   <source>Settings of the thing in hand, always seen.</source>
   <translation>Einstellungen des Dings in der Hand, immer zu sehen.</translation>
  </message>
  <message>
   <location filename="../../app/choices.py" />
   <source>panel side fold</source>
   <translation>Seite einklappen</translation>
  </message>
  <message>
   <location filename="../../app/choices.py" />
   <source>Output port preferred</source>
   <translation>Bevorzugter Ausgang</translation>
  </message>
  <message>
   <location filename="../../app/choices.py" />
   <source>A box that is added is played over the first port that has this in its name.</source>
   <translation>Ein neues Gerät wird über den ersten Port gespielt, der das im Namen hat.</translation>
  </message>
  <message>
   <location filename="../../app/choices.py" />
   <source>midi interface</source>
   <translation>MIDI Interface</translation>
  </message>
  <message>
   <location filename="../../app/choices.py" />
   <source>Input port preferred</source>
   <translation>Bevorzugter Eingang</translation>
  </message>
  <message>
   <location filename="../../app/choices.py" />
   <source>The same, for what is heard of it.</source>
   <translation>Dasselbe, für das, was von ihm gehört wird.</translation>
  </message>
  <message>
   <location filename="../../app/choices.py" />
   <source>Audio output</source>
   <translation>Audioausgang</translation>
  </message>
  <message>
   <location filename="../../app/choices.py" />
   <source>Where the simulated boxes are heard: part of the output's name; empty for the usual one. When they are started next.</source>
   <translation>Wo die simulierten Geräte zu hören sind: ein Teil des Namens; leer für den üblichen. Wenn sie das nächste Mal starten.</translation>
  </message>
  <message>
   <location filename="../../app/choices.py" />
   <source>speaker sound card headphones</source>
   <translation>Lautsprecher Soundkarte Kopfhörer</translation>
  </message>
  <message>
   <location filename="../../app/choices.py" />
   <source>Level of simulated boxes</source>
   <translation>Pegel der simulierten Geräte</translation>
  </message>
  <message>
   <location filename="../../app/choices.py" />
   <source>In per cent, before the limiter. Begin low with headphones on. When they are started next.</source>
   <translation>In Prozent, vor dem Limiter. Mit Kopfhörern leise anfangen. Wenn sie das nächste Mal starten.</translation>
  </message>
  <message>
   <location filename="../../app/choices.py" />
   <source>volume loudness</source>
   <translation>Lautstärke</translation>
  </message>
  <message>
   <location filename="../../app/choices.py" />
   <source>How much the log says</source>
   <translation>Wie viel das Protokoll sagt</translation>
  </message>
  <message>
   <location filename="../../app/choices.py" />
   <source>Everything helps when something is to be reported. From the next start on.</source>
   <translation>Alles hilft, wenn etwas zu melden ist. Ab dem nächsten Start.</translation>
  </message>
  <message>
   <location filename="../../app/choices.py" />
   <source>debug report</source>
   <translation>Fehler Bericht</translation>
  </message>
  <message>
   <location filename="../../app/choices.py" />
   <source>Keep runs in the log</source>
   <translation>Durchläufe im Logbuch behalten</translation>
  </message>
  <message>
   <location filename="../../app/choices.py" />
   <source>What was played, with launches, moves and faults. It stays on this computer.</source>
   <translation>Was gespielt wurde, mit Starts, Handgriffen und Störungen. Es bleibt auf diesem Rechner.</translation>
  </message>
  <message>
   <location filename="../../app/choices.py" />
   <source>privacy history diary</source>
   <translation>Datenschutz Verlauf Tagebuch</translation>
  </message>
  <message>
   <location filename="../../app/choices.py" />
   <source>Keep checks of boxes</source>
   <translation>Prüfungen von Geräten behalten</translation>
  </message>
  <message>
   <location filename="../../app/choices.py" />
   <source>Offset, jitter and drift, over the evenings.</source>
   <translation>Versatz, Jitter und Drift, über die Abende.</translation>
  </message>
  <message>
   <location filename="../../app/choices.py" />
   <source>privacy history sync</source>
   <translation>Datenschutz Verlauf Sync</translation>
  </message>
  <message>
   <location filename="../../app/choices.py" />
   <source>Keep rehearsals</source>
   <translation>Proben behalten</translation>
  </message>
  <message>
   <location filename="../../app/choices.py" />
   <source>Launches and moves with their verdicts.</source>
   <translation>Starts und Handgriffe mit ihrem Urteil.</translation>
  </message>
  <message>
   <location filename="../../app/choices.py" />
   <source>privacy history practise</source>
   <translation>Datenschutz Verlauf üben</translation>
  </message>
  <message>
   <location filename="../../app/choices.py" />
   <source>Days that the log is kept</source>
   <translation>Tage, die das Logbuch behalten wird</translation>
  </message>
  <message>
   <location filename="../../app/choices.py" />
   <source>Older evenings are taken out when Grebe starts; 0 keeps them for ever.</source>
   <translation>Ältere Abende werden entfernt, wenn Grebe startet; 0 behält sie für immer.</translation>
  </message>
  <message>
   <location filename="../../app/choices.py" />
   <source>privacy forget delete old</source>
   <translation>Datenschutz vergessen löschen alt</translation>
  </message>
  <message>
   <location filename="../../app/choices.py" />
   <source>Size of type on sheets</source>
   <translation>Schriftgröße auf Blättern</translation>
  </message>
  <message>
   <location filename="../../app/choices.py" />
   <source>In per cent: 200 can be read from a music stand.</source>
   <translation>In Prozent: 200 liest man vom Notenpult.</translation>
  </message>
  <message>
   <location filename="../../app/choices.py" />
   <source>print paper large</source>
   <translation>drucken papier groß</translation>
  </message>
  <message>
   <location filename="../../app/choices.py" />
   <source>Paper</source>
   <translation>Papier</translation>
  </message>
  <message>
   <location filename="../../app/choices.py" />
   <source>Of printed sheets: as this country has it, or one of the two.</source>
   <translation>Gedruckter Blätter: wie in diesem Land, oder eins von beiden.</translation>
  </message>
  <message>
   <location filename="../../app/choices.py" />
   <source>print letter a4 size</source>
   <translation>drucken Papier A4</translation>
  </message>
  <message>
   <location filename="../../app/choices.py" />
   <source>Where projects lie</source>
   <translation>Wo Projekte liegen</translation>
  </message>
  <message>
   <location filename="../../app/choices.py" />
   <source>File dialogs begin in this folder.</source>
   <translation>Dateidialoge beginnen in diesem Ordner.</translation>
  </message>
  <message>
   <location filename="../../app/choices.py" />
   <source>folder directory files</source>
   <translation>Ordner Verzeichnis Dateien</translation>
  </message>
  <message>
   <location filename="../../app/desktop.py" />
   <source>{path} cannot be written ({strerror}): name another folder with --to</source>
   <translation>{path} kann nicht geschrieben werden ({strerror}): einen anderen Ordner mit --to nennen</translation>
  </message>
  <message>
   <location filename="../../app/desktop.py" />
   <source>{path} cannot be taken away: {strerror}</source>
   <translation>{path} kann nicht weggenommen werden: {strerror}</translation>
  </message>
  <message>
   <location filename="../../app/document/arrivals.py" />
   <source>note</source>
   <translation>Note</translation>
  </message>
  <message>
   <location filename="../../app/document/arrivals.py" />
   <source>notes</source>
   <translation>Noten</translation>
  </message>
  <message>
   <location filename="../../app/document/arrivals.py" />
   <source>{track}: bars {first} to {last} of {all_bars} taken</source>
   <translation>{track}: Takte {first} bis {last} von {all_bars} übernommen</translation>
  </message>
  <message>
   <location filename="../../app/document/arrivals.py" />
   <source>tempo changes</source>
   <translation>Tempowechsel</translation>
  </message>
  <message>
   <location filename="../../app/document/arrivals.py" />
   <source>metre changes</source>
   <translation>Taktwechsel</translation>
  </message>
  <message>
   <location filename="../../app/document/arrivals.py" />
   <source>markers</source>
   <translation>Marken</translation>
  </message>
  <message>
   <location filename="../../app/document/arrivals.py" />
   <source>ch {channel}</source>
   <translation>Kanal {channel}</translation>
  </message>
  <message>
   <location filename="../../app/document/arrivals.py" />
   <source>controller</source>
   <translation>Controller</translation>
  </message>
  <message>
   <location filename="../../app/document/arrivals.py" />
   <source>controllers</source>
   <translation>Controller</translation>
  </message>
  <message>
   <location filename="../../app/document/arrivals.py" />
   <source>{count} of {what} moved to the nearest sixteenth</source>
   <translation>{count} von {what} auf das nächste Sechzehntel gerückt</translation>
  </message>
  <message>
   <location filename="../../app/document/arrivals.py" />
   <source>{count} of {what} left out</source>
   <translation>{count} mal {what} ausgelassen</translation>
  </message>
  <message>
   <location filename="../../app/document/demo.py" />
   <source>a whole set for nine boxes</source>
   <translation>ein ganzes Set für neun Geräte</translation>
  </message>
  <message>
   <location filename="../../app/document/demo.py" />
   <source>a drum box and one bass</source>
   <translation>eine Drumbox und ein Bass</translation>
  </message>
  <message>
   <location filename="../../app/document/demo.py" />
   <source>a looper with voice and keys</source>
   <translation>ein Looper mit Stimme und Tasten</translation>
  </message>
  <message>
   <location filename="../../app/document/demo.py" />
   <source>a modular on pulses with a laptop</source>
   <translation>Modular an Pulsen mit Laptop</translation>
  </message>
  <message>
   <location filename="../../app/document/demo.py" />
   <source>there is no example {name!r}; there are {names}</source>
   <translation>es gibt kein Beispiel {name!r}; es gibt {names}</translation>
  </message>
  <message>
   <location filename="../../app/document/export.py" />
   <source>{file_name}, markers</source>
   <translation>{file_name}, Marken</translation>
  </message>
  <message>
   <location filename="../../app/document/export.py" />
   <source>{file_name}, cues.csv</source>
   <translation>{file_name}, Cues.csv</translation>
  </message>
  <message>
   <location filename="../../app/document/export.py" />
   <source>{file_name}, set cues.csv</source>
   <translation>{file_name}, Set-Cues.csv</translation>
  </message>
  <message>
   <location filename="../../app/document/export.py" />
   <source>{folder} could not be written: {strerror}. Choose another folder.</source>
   <translation>{folder} konnte nicht geschrieben werden: {strerror}. Einen anderen Ordner wählen.</translation>
  </message>
  <message>
   <location filename="../../app/document/export.py" />
   <source>a pulse rate is a number a quarter note up to 96, such as 24, 1/4 or 24/5, or step, or bar (got {rate!r})</source>
   <translation>eine Pulsrate ist eine Zahl je Viertel bis 96, wie 24, 1/4 oder 24/5, oder step, oder bar (bekommen: {rate!r})</translation>
  </message>
  <message>
   <location filename="../../app/document/export_audio.py" />
   <source>{bpm:g} BPM, {bars}</source>
   <translation>{bpm:g} BPM, {bars}</translation>
  </message>
  <message>
   <location filename="../../app/document/export_audio.py" />
   <source>{file_name}, {bars} bars at {bpm:g}.wav</source>
   <translation>{file_name}, {bars} Takte bei {bpm:g}.wav</translation>
  </message>
  <message>
   <location filename="../../app/document/export_audio.py" />
   <source>Peak {peak:.1f} dBFS, {lufs:.1f} LUFS.</source>
   <translation>Spitze {peak:.1f} dBFS, {lufs:.1f} LUFS.</translation>
  </message>
  <message>
   <location filename="../../app/document/export_audio.py" />
   <source>bar</source>
   <translation>Takt</translation>
  </message>
  <message>
   <location filename="../../app/document/export_audio.py" />
   <source>bars</source>
   <translation>Takte</translation>
  </message>
  <message>
   <location filename="../../app/document/export_audio.py" />
   <source>there is no pattern {pattern!r}</source>
   <translation>es gibt kein Pattern {pattern!r}</translation>
  </message>
  <message>
   <location filename="../../app/document/export_audio.py" />
   <source>All of it alike is {gain:+.1f} dB.</source>
   <translation>Alles gleichermaßen um {gain:+.1f} dB.</translation>
  </message>
  <message>
   <location filename="../../app/document/export_audio.py" />
   <source>there is no scene {scene!r}</source>
   <translation>es gibt keine Szene {scene!r}</translation>
  </message>
  <message>
   <location filename="../../app/document/export_audio.py" />
   <source>{pattern} has no voice {voice!r}</source>
   <translation>{pattern} hat keine Stimme {voice!r}</translation>
  </message>
  <message>
   <location filename="../../app/document/loop_files.py" />
   <source>Saved, but without these loops: {names}.</source>
   <translation>Gespeichert, aber ohne diese Loops: {names}.</translation>
  </message>
  <message>
   <location filename="../../app/document/loop_files.py" />
   <source>Loops taken along</source>
   <translation>Loops mitgenommen</translation>
  </message>
  <message>
   <location filename="../../app/document/recovery.py" />
   <source>Unsaved work was found and brought back. Ctrl+Z gives the file as it was saved.</source>
   <translation>Ungespeicherte Arbeit wurde gefunden und zurückgeholt. Strg+Z gibt die Datei, wie sie gespeichert war.</translation>
  </message>
  <message>
   <location filename="../../app/document/recovery.py" />
   <source>Unsaved work was found, and the file has been changed since. Your work is shown; Ctrl+Z gives the file. Saving asks which to keep.</source>
   <translation>Ungespeicherte Arbeit wurde gefunden, und die Datei wurde seither geändert. Gezeigt wird deine Arbeit; Strg+Z gibt die Datei. Beim Speichern wird gefragt, was bleiben soll.</translation>
  </message>
  <message>
   <location filename="../../app/document/recovery.py" />
   <source>Another window has this project open too. Whichever saves second is asked first.</source>
   <translation>Ein anderes Fenster hat dieses Projekt auch offen. Wer als zweiter speichert, wird erst gefragt.</translation>
  </message>
  <message>
   <location filename="../../app/document/recovery.py" />
   <source>Unsaved work found</source>
   <translation>Ungespeicherte Arbeit gefunden</translation>
  </message>
  <message>
   <location filename="../../app/document/recovery.py" />
   <source>too many windows on one project</source>
   <translation>zu viele Fenster auf ein Projekt</translation>
  </message>
  <message>
   <location filename="../../app/document/recovery.py" />
   <source>Unsaved work cannot be kept safe: {strerror}.</source>
   <translation>Ungespeicherte Arbeit kann nicht gespeichert werden: {strerror}.</translation>
  </message>
  <message>
   <location filename="../../app/document/recovery.py" />
   <source>Unsaved work was found, but is damaged: kept as {where}.</source>
   <translation>Ungespeicherte Arbeit wurde gefunden, ist aber beschädigt: aufgehoben als {where}.</translation>
  </message>
  <message>
   <location filename="../../app/document/recovery.py" />
   <source>{path} does not say what it belongs to</source>
   <translation>{path} sagt nicht, wozu es gehört</translation>
  </message>
  <message>
   <location filename="../../app/document/recovery.py" />
   <source>Unsaved work cannot be kept safe ({strerror}): save it, where there is room.</source>
   <translation>Ungespeicherte Arbeit kann nicht gespeichert werden ({strerror}): speichern, wo Platz ist.</translation>
  </message>
  <message>
   <location filename="../../app/document/recovery.py" />
   <source>released just now</source>
   <translation>eben erst losgelassen</translation>
  </message>
  <message>
   <location filename="../../app/document/sheets.py" />
   <source>Step sheets: {project}</source>
   <translation>Schrittblätter: {project}</translation>
  </message>
  <message>
   <location filename="../../app/document/sheets.py" />
   <source>Programme: {song}</source>
   <translation>Programm: {song}</translation>
  </message>
  <message>
   <location filename="../../app/document/sheets.py" />
   <source>Stage sheet: {song}</source>
   <translation>Bühnenblatt: {song}</translation>
  </message>
  <message>
   <location filename="../../app/document/sheets.py" />
   <source>Card: {box}</source>
   <translation>Karte: {box}</translation>
  </message>
  <message>
   <location filename="../../app/document/sheets.py" />
   <source>Set-up sheet: {rig}</source>
   <translation>Aufbaublatt: {rig}</translation>
  </message>
  <message>
   <location filename="../../app/document/sheets.py" />
   <source>Stage sheet: {running}</source>
   <translation>Bühnenblatt: {running}</translation>
  </message>
  <message>
   <location filename="../../app/document/sheets.py" />
   <source>cues are of a song or of a set</source>
   <translation>Einsätze gibt es von einem Stück oder einem Set</translation>
  </message>
  <message>
   <location filename="../../app/document/sheets.py" />
   <source>Sheet printed</source>
   <translation>Blatt gedruckt</translation>
  </message>
  <message>
   <location filename="../../app/document/sheets.py" />
   <source>.html, .pdf or .csv</source>
   <translation>.html, .pdf oder .csv</translation>
  </message>
  <message>
   <location filename="../../app/document/sheets.py" />
   <source>.html or .pdf</source>
   <translation>.html oder .pdf</translation>
  </message>
  <message>
   <location filename="../../app/document/sheets.py" />
   <source>{path}: a sheet is written as {ends}; end the name so</source>
   <translation>{path}: ein Blatt wird als {ends} geschrieben; so muss der Name enden</translation>
  </message>
  <message>
   <location filename="../../app/document/sheets.py" />
   <source>the list for the band is of a set</source>
   <translation>die Liste für die Band gibt es von einem Set</translation>
  </message>
  <message>
   <location filename="../../app/document/store.py" />
   <source>{name} is gone from its folder (a drive that was unplugged?). What is here is whole: Save writes it again, Save as elsewhere.</source>
   <translation>{name} ist aus seinem Ordner verschwunden (ein Laufwerk abgezogen?). Was hier ist, ist ganz: Speichern schreibt es wieder, Speichern unter anderswohin.</translation>
  </message>
  <message>
   <location filename="../../app/document/store.py" />
   <source>{name} has been changed by another window or program. Nothing is lost: saving here asks which one to keep.</source>
   <translation>{name} wurde von einem anderen Fenster oder Programm geändert. Nichts ist verloren: beim Speichern hier wird gefragt, was bleiben soll.</translation>
  </message>
  <message>
   <location filename="../../app/document/store.py" />
   <source>{name} is there again.</source>
   <translation>{name} ist wieder da.</translation>
  </message>
  <message>
   <location filename="../../app/document/store.py" />
   <source>Take the file's version</source>
   <translation>Die Fassung der Datei nehmen</translation>
  </message>
  <message>
   <location filename="../../app/document/store.py" />
   <source>that would be too large: {large}</source>
   <translation>das wäre zu groß: {large}</translation>
  </message>
  <message>
   <location filename="../../app/document/store.py" />
   <source>{path} has been changed by another window or program since it was opened here. Nothing was written.</source>
   <translation>{path} wurde von einem anderen Fenster oder Programm geändert, seit es hier geöffnet wurde. Nichts wurde geschrieben.</translation>
  </message>
  <message>
   <location filename="../../app/document/store.py" />
   <source>the project has no file name yet</source>
   <translation>das Projekt hat noch keinen Dateinamen</translation>
  </message>
  <message>
   <location filename="../../app/document/writing.py" />
   <source>{path} could not be written: {strerror}. Choose another folder.</source>
   <translation>{path} konnte nicht geschrieben werden: {strerror}. Einen anderen Ordner wählen.</translation>
  </message>
  <message>
   <location filename="../../app/editors/blank_box.py" />
   <source>Line {line}: {why}.</source>
   <translation>Zeile {line}: {why}.</translation>
  </message>
  <message>
   <location filename="../../app/editors/blank_box.py" />
   <source>Guessed: {names}.</source>
   <translation>Vermutet: {names}.</translation>
  </message>
  <message>
   <location filename="../../app/editors/blank_box.py" />
   <source>Nothing of it is guessed.</source>
   <translation>Nichts davon ist vermutet.</translation>
  </message>
  <message>
   <location filename="../../app/editors/blank_box.py" />
   <source>{rows} understood.</source>
   <translation>{rows} verstanden.</translation>
  </message>
  <message>
   <location filename="../../app/editors/blank_box.py" />
   <source>{value} lines more are not understood.</source>
   <translation>{value} weitere Zeilen sind nicht verstanden.</translation>
  </message>
  <message>
   <location filename="../../app/editors/bringing.py" />
   <source>Reading {number} of {count}: {name}. Esc stops.</source>
   <translation>Lese {number} von {count}: {name}. Esc hält an.</translation>
  </message>
  <message>
   <location filename="../../app/editors/bringing.py" />
   <source>Bring in {counted}</source>
   <translation>{counted} hereinholen</translation>
  </message>
  <message>
   <location filename="../../app/editors/bringing.py" />
   <source>Brought in {counted}.</source>
   <translation>{counted} hereingeholt.</translation>
  </message>
  <message>
   <location filename="../../app/editors/bringing.py" />
   <source>Bring in {arrival}</source>
   <translation>{arrival} hereinholen</translation>
  </message>
  <message>
   <location filename="../../app/editors/bringing.py" />
   <source>{arrival} is a song of {counted}.</source>
   <translation>{arrival} ist ein Song aus {counted}.</translation>
  </message>
  <message>
   <location filename="../../app/editors/bringing.py" />
   <source>nothing of it is ticked</source>
   <translation>nichts davon ist angehakt</translation>
  </message>
  <message>
   <location filename="../../app/editors/bringing.py" />
   <source>pattern</source>
   <translation>Pattern</translation>
  </message>
  <message>
   <location filename="../../app/editors/bringing.py" />
   <source>patterns</source>
   <translation>Patterns</translation>
  </message>
  <message>
   <location filename="../../app/editors/bringing.py" />
   <source>track</source>
   <translation>Spur</translation>
  </message>
  <message>
   <location filename="../../app/editors/bringing.py" />
   <source>tracks</source>
   <translation>Spuren</translation>
  </message>
  <message>
   <location filename="../../app/editors/clip.py" />
   <source>Pasted: {taken}.</source>
   <translation>Eingefügt: {taken}.</translation>
  </message>
  <message>
   <location filename="../../app/editors/clip.py" />
   <source>Copied. Another window can have it too.</source>
   <translation>Kopiert. Auch ein anderes Fenster kann es haben.</translation>
  </message>
  <message>
   <location filename="../../app/editors/clip.py" />
   <source>Paste</source>
   <translation>Einfügen</translation>
  </message>
  <message>
   <location filename="../../app/editors/clip.py" />
   <source>there is no section yet</source>
   <translation>es gibt noch keinen Abschnitt</translation>
  </message>
  <message>
   <location filename="../../app/editors/clip.py" />
   <source>there is no box in hand</source>
   <translation>es ist kein Gerät gewählt</translation>
  </message>
  <message>
   <location filename="../../app/editors/clip.py" />
   <source>there is no pattern in hand</source>
   <translation>es ist kein Pattern gewählt</translation>
  </message>
  <message>
   <location filename="../../app/editors/clip.py" />
   <source>there is no scene yet</source>
   <translation>es gibt noch keine Szene</translation>
  </message>
  <message>
   <location filename="../../app/editors/clip.py" />
   <source>there is no song there</source>
   <translation>dort ist kein Song</translation>
  </message>
  <message>
   <location filename="../../app/editors/clip.py" />
   <source>nothing has been copied yet</source>
   <translation>noch nichts kopiert</translation>
  </message>
  <message>
   <location filename="../../app/editors/clip.py" />
   <source>hits were copied: they go into a pattern</source>
   <translation>es wurden Schläge kopiert: sie gehören in ein Pattern</translation>
  </message>
  <message>
   <location filename="../../app/editors/clip.py" />
   <source>what is here already</source>
   <translation>was schon hier ist</translation>
  </message>
  <message>
   <location filename="../../app/editors/finding_edits.py" />
   <source>Intended: {message}</source>
   <translation>Gewollt: {message}</translation>
  </message>
  <message>
   <location filename="../../app/editors/finding_edits.py" />
   <source>Hear again: {message}</source>
   <translation>Wieder hören: {message}</translation>
  </message>
  <message>
   <location filename="../../app/editors/finding_edits.py" />
   <source>{error}. Nothing was changed.</source>
   <translation>{error}. Nichts wurde geändert.</translation>
  </message>
  <message>
   <location filename="../../app/editors/loop_editor.py" />
   <source>Trim a slice</source>
   <translation>Scheibe stutzen</translation>
  </message>
  <message>
   <location filename="../../app/editors/loop_editor.py" />
   <source>Shift starts</source>
   <translation>Anfänge verschieben</translation>
  </message>
  <message>
   <location filename="../../app/editors/loop_editor.py" />
   <source>Lay out</source>
   <translation>Auslegen</translation>
  </message>
  <message>
   <location filename="../../app/editors/loop_editor.py" />
   <source>Gate</source>
   <translation>Gate</translation>
  </message>
  <message>
   <location filename="../../app/editors/loop_editor.py" />
   <source>Shared slot</source>
   <translation>Gemeinsamer Platz</translation>
  </message>
  <message>
   <location filename="../../app/editors/loop_editor.py" />
   <source>Bars</source>
   <translation>Takte</translation>
  </message>
  <message>
   <location filename="../../app/editors/loop_editor.py" />
   <source>Cut at onsets</source>
   <translation>An Einsätzen schneiden</translation>
  </message>
  <message>
   <location filename="../../app/editors/loop_editor.py" />
   <source>Cut evenly</source>
   <translation>Gleichmäßig schneiden</translation>
  </message>
  <message>
   <location filename="../../app/editors/loop_editor.py" />
   <source>there is no loop on this box yet</source>
   <translation>auf diesem Gerät ist noch kein Loop</translation>
  </message>
  <message>
   <location filename="../../app/editors/loop_editor.py" />
   <source>Remove {loop}</source>
   <translation>{loop} entfernen</translation>
  </message>
  <message>
   <location filename="../../app/editors/loop_files.py" />
   <source>Take {path} in</source>
   <translation>{path} aufnehmen</translation>
  </message>
  <message>
   <location filename="../../app/editors/loop_files.py" />
   <source>, {semitones:+.2f} semitones</source>
   <translation>, {semitones:+.2f} Halbtöne</translation>
  </message>
  <message>
   <location filename="../../app/editors/loop_files.py" />
   <source>Wrote {path}{words}.</source>
   <translation>{path} geschrieben{words}.</translation>
  </message>
  <message>
   <location filename="../../app/editors/loop_files.py" />
   <source>add a device first: a loop belongs to one</source>
   <translation>erst ein Gerät hinzufügen: ein Loop gehört zu einem</translation>
  </message>
  <message>
   <location filename="../../app/editors/loops.py" />
   <source>{file_name}, {bars} bars at {to_bpm:g}.wav</source>
   <translation>{file_name}, {bars} Takte bei {to_bpm:g}.wav</translation>
  </message>
  <message>
   <location filename="../../app/editors/loops.py" />
   <source>{path} is another recording than the loop {loop} was made from. Import it again.</source>
   <translation>{path} ist eine andere Aufnahme als die, aus der der Loop {loop} gemacht wurde. Neu importieren.</translation>
  </message>
  <message>
   <location filename="../../app/editors/loops.py" />
   <source>{path} lasts {seconds:.0f} s; a loop has {max_loop_s:.0f} at most. Cut out the bars that go round.</source>
   <translation>{path} dauert {seconds:.0f} s; ein Loop hat höchstens {max_loop_s:.0f}. Die Takte herausschneiden, die umlaufen.</translation>
  </message>
  <message>
   <location filename="../../app/editors/loops.py" />
   <source>{path} is silent from end to end. Choose another.</source>
   <translation>{path} ist von Anfang bis Ende still. Eine andere wählen.</translation>
  </message>
  <message>
   <location filename="../../app/editors/loops.py" />
   <source>{loop} has no slices yet</source>
   <translation>{loop} hat noch keine Scheiben</translation>
  </message>
  <message>
   <location filename="../../app/editors/loops.py" />
   <source>{path} of the loop {loop} could not be read: {strerror}. The rest plays on.</source>
   <translation>{path} des Loops {loop} konnte nicht gelesen werden: {strerror}. Der Rest spielt weiter.</translation>
  </message>
  <message>
   <location filename="../../app/editors/loops.py" />
   <source>{path} could not be read: {strerror}.</source>
   <translation>{path} konnte nicht gelesen werden: {strerror}.</translation>
  </message>
  <message>
   <location filename="../../app/editors/memory_edits.py" />
   <source>Copy {pattern}</source>
   <translation>{pattern} kopieren</translation>
  </message>
  <message>
   <location filename="../../app/editors/memory_edits.py" />
   <source>{pattern} to another place</source>
   <translation>{pattern} an einen anderen Platz</translation>
  </message>
  <message>
   <location filename="../../app/editors/memory_edits.py" />
   <source>no pattern is in hand</source>
   <translation>kein Pattern ist in der Hand</translation>
  </message>
  <message>
   <location filename="../../app/editors/memory_edits.py" />
   <source>Free a place</source>
   <translation>Einen Platz frei machen</translation>
  </message>
  <message>
   <location filename="../../app/editors/network_form.py" />
   <source>shared</source>
   <translation>gemeinsam</translation>
  </message>
  <message>
   <location filename="../../app/editors/network_form.py" />
   <source>each its own</source>
   <translation>jeder seins</translation>
  </message>
  <message>
   <location filename="../../app/editors/network_form.py" />
   <source>of our songs</source>
   <translation>unserer Songs</translation>
  </message>
  <message>
   <location filename="../../app/editors/network_form.py" />
   <source>the session's</source>
   <translation>das der Sitzung</translation>
  </message>
  <message>
   <location filename="../../app/editors/network_form.py" />
   <source>hidden</source>
   <translation>verborgen</translation>
  </message>
  <message>
   <location filename="../../app/editors/network_form.py" />
   <source>shown</source>
   <translation>gezeigt</translation>
  </message>
  <message>
   <location filename="../../app/editors/network_form.py" />
   <source>Network</source>
   <translation>Netzwerk</translation>
  </message>
  <message>
   <location filename="../../app/editors/network_form.py" />
   <source>an address or network in numbers, as 10.0.0.7 or 10.0.0.0/24 ({error})</source>
   <translation>eine Adresse oder ein Netz in Zahlen, wie 10.0.0.7 oder 10.0.0.0/24 ({error})</translation>
  </message>
  <message>
   <location filename="../../app/editors/network_form.py" />
   <source>that cannot be: {error}</source>
   <translation>das kann nicht sein: {error}</translation>
  </message>
  <message>
   <location filename="../../app/editors/network_form.py" />
   <source>{most_addresses} addresses at most</source>
   <translation>höchstens {most_addresses} Adressen</translation>
  </message>
  <message>
   <location filename="../../app/editors/network_form.py" />
   <source>from {min_quantum} to {max_quantum} quarter notes (got {words})</source>
   <translation>von {min_quantum} bis {max_quantum} Viertel (bekommen: {words})</translation>
  </message>
  <message>
   <location filename="../../app/editors/network_form.py" />
   <source>it could not be kept ({strerror})</source>
   <translation>es konnte nicht behalten werden ({strerror})</translation>
  </message>
  <message>
   <location filename="../../app/editors/pattern_drags.py" />
   <source>Paint hits</source>
   <translation>Schläge malen</translation>
  </message>
  <message>
   <location filename="../../app/editors/pattern_drags.py" />
   <source>Micro-timing</source>
   <translation>Mikro-Timing</translation>
  </message>
  <message>
   <location filename="../../app/editors/pattern_drags.py" />
   <source>Copy hits</source>
   <translation>Schläge kopieren</translation>
  </message>
  <message>
   <location filename="../../app/editors/pattern_drags.py" />
   <source>Move hits</source>
   <translation>Schläge verschieben</translation>
  </message>
  <message>
   <location filename="../../app/editors/pattern_drags.py" />
   <source>Draw a lane</source>
   <translation>Eine Spur zeichnen</translation>
  </message>
  <message>
   <location filename="../../app/editors/pattern_drags.py" />
   <source>Shape of a lane</source>
   <translation>Form einer Spur</translation>
  </message>
  <message>
   <location filename="../../app/editors/pattern_drags.py" />
   <source>Order of voices</source>
   <translation>Reihenfolge der Stimmen</translation>
  </message>
  <message>
   <location filename="../../app/editors/pattern_drags.py" />
   <source>a shape is for a controller lane, and none is in hand</source>
   <translation>eine Form ist für eine Controllerspur, und keine ist gewählt</translation>
  </message>
  <message>
   <location filename="../../app/editors/pattern_fields.py" />
   <source>Set {replace}</source>
   <translation>{replace} setzen</translation>
  </message>
  <message>
   <location filename="../../app/editors/pattern_hand.py" />
   <source>Write a hit</source>
   <translation>Schlag schreiben</translation>
  </message>
  <message>
   <location filename="../../app/editors/pattern_hand.py" />
   <source>Remove a hit</source>
   <translation>Schlag entfernen</translation>
  </message>
  <message>
   <location filename="../../app/editors/pattern_hand.py" />
   <source>Length</source>
   <translation>Länge</translation>
  </message>
  <message>
   <location filename="../../app/editors/pattern_hand.py" />
   <source>Write a value</source>
   <translation>Wert schreiben</translation>
  </message>
  <message>
   <location filename="../../app/editors/pattern_hand.py" />
   <source>the pattern</source>
   <translation>das Pattern</translation>
  </message>
  <message>
   <location filename="../../app/editors/pattern_hand.py" />
   <source>{voice_name} has no hit on step {value}</source>
   <translation>{voice_name} hat keinen Schlag auf Schritt {value}</translation>
  </message>
  <message>
   <location filename="../../app/editors/pattern_hits.py" />
   <source>Remove</source>
   <translation>Entfernen</translation>
  </message>
  <message>
   <location filename="../../app/editors/pattern_hits.py" />
   <source>Velocity</source>
   <translation>Anschlag</translation>
  </message>
  <message>
   <location filename="../../app/editors/pattern_hits.py" />
   <source>Ratchet ramp</source>
   <translation>Wirbelverlauf</translation>
  </message>
  <message>
   <location filename="../../app/editors/pattern_hits.py" />
   <source>Tie</source>
   <translation>Bindung</translation>
  </message>
  <message>
   <location filename="../../app/editors/pattern_hits.py" />
   <source>there is no value on this step</source>
   <translation>auf diesem Schritt ist kein Wert</translation>
  </message>
  <message>
   <location filename="../../app/editors/pattern_hits.py" />
   <source>Condition</source>
   <translation>Bedingung</translation>
  </message>
  <message>
   <location filename="../../app/editors/pattern_pitch.py" />
   <source>the pattern has no key yet; set one, or find it by playing along</source>
   <translation>das Pattern hat noch keine Tonart; setz eine, oder finde sie durch Mitspielen</translation>
  </message>
  <message>
   <location filename="../../app/editors/pattern_rows.py" />
   <source>Shift</source>
   <translation>Schieben</translation>
  </message>
  <message>
   <location filename="../../app/editors/pattern_rows.py" />
   <source>Reverse</source>
   <translation>Umkehren</translation>
  </message>
  <message>
   <location filename="../../app/editors/pattern_rows.py" />
   <source>Add a voice</source>
   <translation>Eine Stimme dazu</translation>
  </message>
  <message>
   <location filename="../../app/editors/pattern_rows.py" />
   <source>Add a controller lane</source>
   <translation>Eine Controller-Spur dazu</translation>
  </message>
  <message>
   <location filename="../../app/editors/pattern_rows.py" />
   <source>Generate: {maker}</source>
   <translation>Erzeugen: {maker}</translation>
  </message>
  <message>
   <location filename="../../app/editors/pattern_rows.py" />
   <source>there is no voice in hand</source>
   <translation>es ist keine Stimme in der Hand</translation>
  </message>
  <message>
   <location filename="../../app/editors/pattern_rows.py" />
   <source>Step rate</source>
   <translation>Schrittweite</translation>
  </message>
  <message>
   <location filename="../../app/editors/pattern_rows.py" />
   <source>Even steps</source>
   <translation>Gleichmäßige Schritte</translation>
  </message>
  <message>
   <location filename="../../app/editors/pattern_rows.py" />
   <source>Clear</source>
   <translation>Leeren</translation>
  </message>
  <message>
   <location filename="../../app/editors/pattern_rows.py" />
   <source>Note {note}</source>
   <translation>Note {note}</translation>
  </message>
  <message>
   <location filename="../../app/editors/pattern_rows.py" />
   <source>Remove a controller lane</source>
   <translation>Controller-Spur entfernen</translation>
  </message>
  <message>
   <location filename="../../app/editors/pattern_rows.py" />
   <source>Remove a voice</source>
   <translation>Stimme entfernen</translation>
  </message>
  <message>
   <location filename="../../app/editors/pattern_teach.py" />
   <source>Teaching has ended. {in_box} marks the pattern as in the box.</source>
   <translation>Das Beibringen ist zu Ende. {in_box} markiert das Pattern als im Gerät.</translation>
  </message>
  <message>
   <location filename="../../app/editors/pattern_teach.py" />
   <source>Let {device} record: {what} is played into it, loop after loop. The same key ends it.</source>
   <translation>Lass {device} aufnehmen: {what} wird eingespielt, Runde um Runde. Dieselbe Taste beendet es.</translation>
  </message>
  <message>
   <location filename="../../app/editors/pattern_whole.py" />
   <source>Key</source>
   <translation>Tonart</translation>
  </message>
  <message>
   <location filename="../../app/editors/pattern_whole.py" />
   <source>{key} ({score:.2f}); then {key2} ({score2:.2f}).</source>
   <translation>{key} ({score:.2f}); dann {key2} ({score2:.2f}).</translation>
  </message>
  <message>
   <location filename="../../app/editors/pattern_whole.py" />
   <source>Double</source>
   <translation>Verdoppeln</translation>
  </message>
  <message>
   <location filename="../../app/editors/pattern_whole.py" />
   <source>Halve</source>
   <translation>Halbieren</translation>
  </message>
  <message>
   <location filename="../../app/editors/pattern_whole.py" />
   <source>Blank half</source>
   <translation>Leere Hälfte</translation>
  </message>
  <message>
   <location filename="../../app/editors/pattern_whole.py" />
   <source>Last step</source>
   <translation>Letzter Schritt</translation>
  </message>
  <message>
   <location filename="../../app/editors/pattern_whole.py" />
   <source>Triplets</source>
   <translation>Triolen</translation>
  </message>
  <message>
   <location filename="../../app/editors/pattern_whole.py" />
   <source>Closer to the grid</source>
   <translation>Näher ans Raster</translation>
  </message>
  <message>
   <location filename="../../app/editors/pattern_whole.py" />
   <source>Cut</source>
   <translation>Ausschneiden</translation>
  </message>
  <message>
   <location filename="../../app/editors/pattern_whole.py" />
   <source>Dice</source>
   <translation>Würfeln</translation>
  </message>
  <message>
   <location filename="../../app/editors/pattern_whole.py" />
   <source>Pin the take</source>
   <translation>Wurf festhalten</translation>
  </message>
  <message>
   <location filename="../../app/editors/pattern_whole.py" />
   <source>Every pass plays pass {value}.</source>
   <translation>Jeder Durchgang spielt Durchgang {value}.</translation>
  </message>
  <message>
   <location filename="../../app/editors/pattern_whole.py" />
   <source>Each pass has dice of its own.</source>
   <translation>Jeder Durchgang würfelt für sich.</translation>
  </message>
  <message>
   <location filename="../../app/editors/pattern_whole.py" />
   <source>New pattern {name}</source>
   <translation>Neues Pattern {name}</translation>
  </message>
  <message>
   <location filename="../../app/editors/pattern_whole.py" />
   <source>Import {name}</source>
   <translation>{name} importieren</translation>
  </message>
  <message>
   <location filename="../../app/editors/pattern_whole.py" />
   <source>First pattern of {device}</source>
   <translation>Erstes Pattern von {device}</translation>
  </message>
  <message>
   <location filename="../../app/editors/pattern_whole.py" />
   <source>, and with it {names}</source>
   <translation>, und dazu {names}</translation>
  </message>
  <message>
   <location filename="../../app/editors/pattern_whole.py" />
   <source>A first pattern of {device}{with_it}.</source>
   <translation>Ein erstes Pattern von {device}{with_it}.</translation>
  </message>
  <message>
   <location filename="../../app/editors/pattern_whole.py" />
   <source>play along first: nothing pitched was played in these two minutes</source>
   <translation>erst mitspielen: in diesen zwei Minuten kam nichts mit Tonhöhe</translation>
  </message>
  <message>
   <location filename="../../app/editors/pattern_whole.py" />
   <source>what was copied are no hits: paste it in its own station</source>
   <translation>kopiert wurden keine Schläge: an der eigenen Station einfügen</translation>
  </message>
  <message>
   <location filename="../../app/editors/pattern_whole.py" />
   <source>add a device first: a pattern belongs to one</source>
   <translation>erst ein Gerät hinzufügen: ein Loop gehört zu einem</translation>
  </message>
  <message>
   <location filename="../../app/editors/pattern_whole.py" />
   <source>Remove {pattern}</source>
   <translation>{pattern} entfernen</translation>
  </message>
  <message>
   <location filename="../../app/editors/pattern_whole.py" />
   <source>{pattern} is in the box</source>
   <translation>{pattern} ist im Gerät</translation>
  </message>
  <message>
   <location filename="../../app/editors/pattern_whole.py" />
   <source>add a box first: a pattern belongs to one</source>
   <translation>erst ein Gerät hinzufügen: ein Pattern gehört zu einem</translation>
  </message>
  <message>
   <location filename="../../app/editors/pattern_whole.py" />
   <source>a song</source>
   <translation>ein Song</translation>
  </message>
  <message>
   <location filename="../../app/editors/pattern_whole.py" />
   <source> and </source>
   <translation> und </translation>
  </message>
  <message>
   <location filename="../../app/editors/pattern_writer.py" />
   <source>taps that begin a pattern</source>
   <translation>Tippen, das ein Pattern beginnt</translation>
  </message>
  <message>
   <location filename="../../app/editors/pattern_writer.py" />
   <source>is written where it falls</source>
   <translation>wird geschrieben, wohin es fällt</translation>
  </message>
  <message>
   <location filename="../../app/editors/pattern_writer.py" />
   <source>is only remembered</source>
   <translation>wird nur gemerkt</translation>
  </message>
  <message>
   <location filename="../../app/editors/pattern_writer.py" />
   <source>What you play in {words}.</source>
   <translation>Was du einspielst, {words}.</translation>
  </message>
  <message>
   <location filename="../../app/editors/pattern_writer.py" />
   <source>snap to their step</source>
   <translation>rasten auf ihren Schritt</translation>
  </message>
  <message>
   <location filename="../../app/editors/pattern_writer.py" />
   <source>keep their place</source>
   <translation>bleiben, wo sie sind</translation>
  </message>
  <message>
   <location filename="../../app/editors/pattern_writer.py" />
   <source>Notes written live {words}.</source>
   <translation>Live geschriebene Noten {words}.</translation>
  </message>
  <message>
   <location filename="../../app/editors/pattern_writer.py" />
   <source>is written at the cursor</source>
   <translation>wird am Cursor geschrieben</translation>
  </message>
  <message>
   <location filename="../../app/editors/pattern_writer.py" />
   <source>A note you play in {words}.</source>
   <translation>Eine Note, die du einspielst, {words}.</translation>
  </message>
  <message>
   <location filename="../../app/editors/pattern_writer.py" />
   <source>Played in</source>
   <translation>Eingespielt</translation>
  </message>
  <message>
   <location filename="../../app/editors/pattern_writer.py" />
   <source>Knob</source>
   <translation>Regler</translation>
  </message>
  <message>
   <location filename="../../app/editors/pattern_writer.py" />
   <source>Tap a pattern of {device}</source>
   <translation>Ein Pattern von {device} tippen</translation>
  </message>
  <message>
   <location filename="../../app/editors/pattern_writer.py" />
   <source>A pattern of {device}: tap on, it goes round.</source>
   <translation>Ein Pattern von {device}: weiter tippen, es läuft um.</translation>
  </message>
  <message>
   <location filename="../../app/editors/rig_boxes.py" />
   <source>Add {name}</source>
   <translation>{name} hinzufügen</translation>
  </message>
  <message>
   <location filename="../../app/editors/rig_boxes.py" />
   <source>Cable from {name} to {name2}</source>
   <translation>Kabel von {name} nach {name2}</translation>
  </message>
  <message>
   <location filename="../../app/editors/rig_boxes.py" />
   <source>Add a route</source>
   <translation>Einen Weg hinzufügen</translation>
  </message>
  <message>
   <location filename="../../app/editors/rig_boxes.py" />
   <source>Thru of {device}</source>
   <translation>Thru von {device}</translation>
  </message>
  <message>
   <location filename="../../app/editors/rig_boxes.py" />
   <source>{device} passes on {words}.</source>
   <translation>{device} gibt weiter: {words}.</translation>
  </message>
  <message>
   <location filename="../../app/editors/rig_boxes.py" />
   <source>Remove a cable</source>
   <translation>Ein Kabel entfernen</translation>
  </message>
  <message>
   <location filename="../../app/editors/rig_boxes.py" />
   <source>Cable taken out. Ctrl+Z brings it back.</source>
   <translation>Kabel herausgenommen. Strg+Z bringt es zurück.</translation>
  </message>
  <message>
   <location filename="../../app/editors/rig_boxes.py" />
   <source>Remove a route</source>
   <translation>Einen Weg entfernen</translation>
  </message>
  <message>
   <location filename="../../app/editors/rig_boxes.py" />
   <source>Route taken out. Ctrl+Z brings it back.</source>
   <translation>Weg herausgenommen. Strg+Z bringt ihn zurück.</translation>
  </message>
  <message>
   <location filename="../../app/editors/rig_boxes.py" />
   <source>Tick: {what}</source>
   <translation>Abhaken: {what}</translation>
  </message>
  <message>
   <location filename="../../app/editors/rig_boxes.py" />
   <source>Forget a press</source>
   <translation>Einen Druck vergessen</translation>
  </message>
  <message>
   <location filename="../../app/editors/rig_boxes.py" />
   <source>Learn a key</source>
   <translation>Eine Taste lernen</translation>
  </message>
  <message>
   <location filename="../../app/editors/rig_boxes.py" />
   <source>Saved {device} as a profile: {path}.</source>
   <translation>{device} als Profil gespeichert: {path}.</translation>
  </message>
  <message>
   <location filename="../../app/editors/rig_boxes.py" />
   <source>there is no box to route this to</source>
   <translation>es gibt kein Gerät, zu dem das zu leiten wäre</translation>
  </message>
  <message>
   <location filename="../../app/editors/rig_boxes.py" />
   <source>no MIDI cable runs from it: nothing could be passed on</source>
   <translation>von ihm geht kein MIDI-Kabel ab: nichts könnte weitergegeben werden</translation>
  </message>
  <message>
   <location filename="../../app/editors/rig_boxes.py" />
   <source>Remove {device}</source>
   <translation>{device} entfernen</translation>
  </message>
  <message>
   <location filename="../../app/editors/rig_boxes.py" />
   <source>{device} is taken out. Ctrl+Z brings it back.</source>
   <translation>{device} ist herausgenommen. Strg+Z bringt es zurück.</translation>
  </message>
  <message>
   <location filename="../../app/editors/rig_clock.py" />
   <source>transport left to others</source>
   <translation>Transport anderen überlassen</translation>
  </message>
  <message>
   <location filename="../../app/editors/rig_clock.py" />
   <source>transport led by Grebe</source>
   <translation>Transport von Grebe geführt</translation>
  </message>
  <message>
   <location filename="../../app/editors/rig_clock.py" />
   <source>transport followed by Grebe</source>
   <translation>Transport, dem Grebe folgt</translation>
  </message>
  <message>
   <location filename="../../app/editors/rig_clock.py" />
   <source>{name} leads</source>
   <translation>{name} führt</translation>
  </message>
  <message>
   <location filename="../../app/editors/rig_clock.py" />
   <source>JACK's transport</source>
   <translation>JACKs Transport</translation>
  </message>
  <message>
   <location filename="../../app/editors/rig_clock.py" />
   <source>{run_counted} counts {bars} in.</source>
   <translation>{run_counted} zählt {bars} vor.</translation>
  </message>
  <message>
   <location filename="../../app/editors/rig_clock.py" />
   <source>The count-in is only shown.</source>
   <translation>Der Einzähler wird nur gezeigt.</translation>
  </message>
  <message>
   <location filename="../../app/editors/rig_clock.py" />
   <source>{device} clicks the count-in, on note {note}.</source>
   <translation>{device} klickt den Einzähler, auf Note {note}.</translation>
  </message>
  <message>
   <location filename="../../app/editors/rig_clock.py" />
   <source>Select the box with the pedal first.</source>
   <translation>Erst das Gerät mit dem Pedal wählen.</translation>
  </message>
  <message>
   <location filename="../../app/editors/rig_clock.py" />
   <source>Nothing on {device} panics any more.</source>
   <translation>Nichts an {device} löst mehr Panik aus.</translation>
  </message>
  <message>
   <location filename="../../app/editors/rig_clock.py" />
   <source>Press the pedal on {device}: it will panic from then on.</source>
   <translation>Das Pedal an {device} drücken: von da an löst es Panik aus.</translation>
  </message>
  <message>
   <location filename="../../app/editors/rig_columns.py" />
   <source>its own</source>
   <translation>sein Eigenes</translation>
  </message>
  <message>
   <location filename="../../app/editors/rig_columns.py" />
   <source>as they come</source>
   <translation>wie sie kommen</translation>
  </message>
  <message>
   <location filename="../../app/editors/rig_columns.py" />
   <source>by position</source>
   <translation>nach Lage</translation>
  </message>
  <message>
   <location filename="../../app/editors/rig_columns.py" />
   <source>by table</source>
   <translation>nach Tabelle</translation>
  </message>
  <message>
   <location filename="../../app/editors/rig_columns.py" />
   <source>What it is</source>
   <translation>Was es ist</translation>
  </message>
  <message>
   <location filename="../../app/editors/rig_columns.py" />
   <source>Channel</source>
   <translation>Kanal</translation>
  </message>
  <message>
   <location filename="../../app/editors/rig_columns.py" />
   <source>Plays</source>
   <translation>Spielt</translation>
  </message>
  <message>
   <location filename="../../app/editors/rig_columns.py" />
   <source>Sends clock</source>
   <translation>Sendet Clock</translation>
  </message>
  <message>
   <location filename="../../app/editors/rig_columns.py" />
   <source>Obeys clock</source>
   <translation>Gehorcht Clock</translation>
  </message>
  <message>
   <location filename="../../app/editors/rig_columns.py" />
   <source>Stopped too</source>
   <translation>Auch im Halt</translation>
  </message>
  <message>
   <location filename="../../app/editors/rig_columns.py" />
   <source>Program</source>
   <translation>Programm</translation>
  </message>
  <message>
   <location filename="../../app/editors/rig_columns.py" />
   <source>Offset ms</source>
   <translation>Versatz ms</translation>
  </message>
  <message>
   <location filename="../../app/editors/rig_columns.py" />
   <source>there is no box {name!r}</source>
   <translation>es gibt kein Gerät {name!r}</translation>
  </message>
  <message>
   <location filename="../../app/editors/rig_columns.py" />
   <source>From</source>
   <translation>Von</translation>
  </message>
  <message>
   <location filename="../../app/editors/rig_columns.py" />
   <source>Output</source>
   <translation>Ausgang</translation>
  </message>
  <message>
   <location filename="../../app/editors/rig_columns.py" />
   <source>To</source>
   <translation>Nach</translation>
  </message>
  <message>
   <location filename="../../app/editors/rig_columns.py" />
   <source>Input</source>
   <translation>Eingang</translation>
  </message>
  <message>
   <location filename="../../app/editors/rig_columns.py" />
   <source>Medium</source>
   <translation>Medium</translation>
  </message>
  <message>
   <location filename="../../app/editors/rig_columns.py" />
   <source>Gives</source>
   <translation>Gibt</translation>
  </message>
  <message>
   <location filename="../../app/editors/rig_columns.py" />
   <source>Rate</source>
   <translation>Rate</translation>
  </message>
  <message>
   <location filename="../../app/editors/rig_columns.py" />
   <source>Counts on</source>
   <translation>Zählt auf</translation>
  </message>
  <message>
   <location filename="../../app/editors/rig_columns.py" />
   <source>Lets out</source>
   <translation>Lässt hinaus</translation>
  </message>
  <message>
   <location filename="../../app/editors/rig_columns.py" />
   <source>Lets in</source>
   <translation>Lässt herein</translation>
  </message>
  <message>
   <location filename="../../app/editors/rig_columns.py" />
   <source>Plays it</source>
   <translation>Spielt es</translation>
  </message>
  <message>
   <location filename="../../app/editors/rig_columns.py" />
   <source>Passes</source>
   <translation>Durchgänge</translation>
  </message>
  <message>
   <location filename="../../app/editors/rig_columns.py" />
   <source>Notes</source>
   <translation>Noten</translation>
  </message>
  <message>
   <location filename="../../app/editors/rig_columns.py" />
   <source>Transpose</source>
   <translation>Transponieren</translation>
  </message>
  <message>
   <location filename="../../app/editors/rig_columns.py" />
   <source>a box has a name</source>
   <translation>ein Gerät hat einen Namen</translation>
  </message>
  <message>
   <location filename="../../app/editors/rig_columns.py" />
   <source>as it comes</source>
   <translation>wie er kommt</translation>
  </message>
  <message>
   <location filename="../../app/editors/rig_columns.py" />
   <source>{text_!r} is not a number</source>
   <translation>{text_!r} ist keine Zahl</translation>
  </message>
  <message>
   <location filename="../../app/editors/rig_columns.py" />
   <source>{box} has no jack {text_!r}</source>
   <translation>{box} hat keine Buchse {text_!r}</translation>
  </message>
  <message>
   <location filename="../../app/editors/rig_device.py" />
   <source>Pulses leave at</source>
   <translation>Pulse gehen ab an</translation>
  </message>
  <message>
   <location filename="../../app/editors/rig_device.py" />
   <source>Run line leaves at</source>
   <translation>Laufleitung geht ab an</translation>
  </message>
  <message>
   <location filename="../../app/editors/rig_device.py" />
   <source>Reset leaves at</source>
   <translation>Reset geht ab an</translation>
  </message>
  <message>
   <location filename="../../app/editors/rig_device.py" />
   <source>Pulses are heard at</source>
   <translation>Pulse werden gehört an</translation>
  </message>
  <message>
   <location filename="../../app/editors/rig_device.py" />
   <source>Run line is heard at</source>
   <translation>Run-Leitung ist zu hören an</translation>
  </message>
  <message>
   <location filename="../../app/editors/rig_device.py" />
   <source>Its sound is heard at</source>
   <translation>Sein Klang kommt an bei</translation>
  </message>
  <message>
   <location filename="../../app/editors/rig_device.py" />
   <source>Tolerance of all boxes</source>
   <translation>Toleranz aller Geräte</translation>
  </message>
  <message>
   <location filename="../../app/editors/rig_device.py" />
   <source>{pulse_care} Channels 1 and 2 are often the main output.</source>
   <translation>{pulse_care} Kanal 1 und 2 sind oft der Hauptausgang.</translation>
  </message>
  <message>
   <location filename="../../app/editors/rig_device.py" />
   <source>{field} {what} at {device}</source>
   <translation>{field} {what} an {device}</translation>
  </message>
  <message>
   <location filename="../../app/editors/rig_device.py" />
   <source>on</source>
   <translation>an</translation>
  </message>
  <message>
   <location filename="../../app/editors/rig_device.py" />
   <source>off</source>
   <translation>aus</translation>
  </message>
  <message>
   <location filename="../../app/editors/rig_form.py" />
   <source>by hand</source>
   <translation>von Hand</translation>
  </message>
  <message>
   <location filename="../../app/editors/rig_form.py" />
   <source>Name</source>
   <translation>Name</translation>
  </message>
  <message>
   <location filename="../../app/editors/rig_form.py" />
   <source>Its rig is called</source>
   <translation>Sein Rig heißt</translation>
  </message>
  <message>
   <location filename="../../app/editors/rig_form.py" />
   <source>Kind</source>
   <translation>Art</translation>
  </message>
  <message>
   <location filename="../../app/editors/rig_form.py" />
   <source>Offset, earlier is negative</source>
   <translation>Versatz, früher ist negativ</translation>
  </message>
  <message>
   <location filename="../../app/editors/rig_form.py" />
   <source>May be off by</source>
   <translation>Darf daneben sein um</translation>
  </message>
  <message>
   <location filename="../../app/editors/rig_form.py" />
   <source>Obeys start and stop</source>
   <translation>Gehorcht Start und Stopp</translation>
  </message>
  <message>
   <location filename="../../app/editors/rig_form.py" />
   <source>Obeys song position</source>
   <translation>Gehorcht Songposition</translation>
  </message>
  <message>
   <location filename="../../app/editors/rig_form.py" />
   <source>Must not start with the rest</source>
   <translation>Darf nicht mit den anderen starten</translation>
  </message>
  <message>
   <location filename="../../app/editors/rig_form.py" />
   <source>Clock goes on while stopped</source>
   <translation>Clock läuft im Halt weiter</translation>
  </message>
  <message>
   <location filename="../../app/editors/rig_form.py" />
   <source>Grebe holds its input open</source>
   <translation>Grebe hält seinen Eingang offen</translation>
  </message>
  <message>
   <location filename="../../app/editors/rig_form.py" />
   <source>Power, as on its plate</source>
   <translation>Strom, wie auf dem Typenschild</translation>
  </message>
  <message>
   <location filename="../../app/editors/rig_form.py" />
   <source>Its turn at switching on</source>
   <translation>Seine Reihe beim Einschalten</translation>
  </message>
  <message>
   <location filename="../../app/editors/rig_form.py" />
   <source>Obeys program changes</source>
   <translation>Nimmt Programme an</translation>
  </message>
  <message>
   <location filename="../../app/editors/rig_form.py" />
   <source>Changes pattern</source>
   <translation>Wechselt das Pattern</translation>
  </message>
  <message>
   <location filename="../../app/editors/rig_form.py" />
   <source>Prints its first program as</source>
   <translation>Druckt sein erstes Programm als</translation>
  </message>
  <message>
   <location filename="../../app/editors/rig_form.py" />
   <source>Gates, a note and a channel each</source>
   <translation>Gates, je eine Note und ein Kanal</translation>
  </message>
  <message>
   <location filename="../../app/editors/rig_form.py" />
   <source>Muted by</source>
   <translation>Stumm durch</translation>
  </message>
  <message>
   <location filename="../../app/editors/rig_form.py" />
   <source>controller {set_now}</source>
   <translation>Controller {set_now}</translation>
  </message>
  <message>
   <location filename="../../app/editors/rig_form.py" />
   <source>no box is in hand</source>
   <translation>kein Gerät ist in der Hand</translation>
  </message>
  <message>
   <location filename="../../app/editors/rig_form.py" />
   <source>Gates</source>
   <translation>Gates</translation>
  </message>
  <message>
   <location filename="../../app/editors/rig_form.py" />
   <source>it has a name</source>
   <translation>es hat einen Namen</translation>
  </message>
  <message>
   <location filename="../../app/editors/rig_form.py" />
   <source>Name of the rig</source>
   <translation>Name des Rigs</translation>
  </message>
  <message>
   <location filename="../../app/editors/rig_form.py" />
   <source>Name of the project</source>
   <translation>Name des Projekts</translation>
  </message>
  <message>
   <location filename="../../app/editors/rig_hand.py" />
   <source>{what} of {device}</source>
   <translation>{what} von {device}</translation>
  </message>
  <message>
   <location filename="../../app/editors/rig_hand.py" />
   <source>Offset</source>
   <translation>Versatz</translation>
  </message>
  <message>
   <location filename="../../app/editors/scene_drags.py" />
   <source>Move a scene</source>
   <translation>Szene verschieben</translation>
  </message>
  <message>
   <location filename="../../app/editors/scene_drags.py" />
   <source>Copy a part</source>
   <translation>Einen Part kopieren</translation>
  </message>
  <message>
   <location filename="../../app/editors/scene_drags.py" />
   <source>Pattern</source>
   <translation>Pattern</translation>
  </message>
  <message>
   <location filename="../../app/editors/scene_drags.py" />
   <source>{pattern} is of {its}, not of {device}</source>
   <translation>{pattern} gehört zu {its}, nicht zu {device}</translation>
  </message>
  <message>
   <location filename="../../app/editors/scene_form.py" />
   <source>as it is</source>
   <translation>wie es ist</translation>
  </message>
  <message>
   <location filename="../../app/editors/scene_form.py" />
   <source>{replace} are picked, not typed</source>
   <translation>{replace} werden gewählt, nicht getippt</translation>
  </message>
  <message>
   <location filename="../../app/editors/scene_form.py" />
   <source>A controller</source>
   <translation>Ein Controller</translation>
  </message>
  <message>
   <location filename="../../app/editors/scene_form.py" />
   <source>Track {n}</source>
   <translation>Spur {n}</translation>
  </message>
  <message>
   <location filename="../../app/editors/scene_hand.py" />
   <source>there is no scene yet: {new_scene} makes one</source>
   <translation>noch keine Szene da: {new_scene} macht eine</translation>
  </message>
  <message>
   <location filename="../../app/editors/scene_hand.py" />
   <source>there is no device yet: add one in the Rig</source>
   <translation>noch kein Gerät da: im Rig eins hinzufügen</translation>
  </message>
  <message>
   <location filename="../../app/editors/scene_making.py" />
   <source>Copy a scene</source>
   <translation>Szene kopieren</translation>
  </message>
  <message>
   <location filename="../../app/editors/scene_making.py" />
   <source>Remove a scene</source>
   <translation>Szene entfernen</translation>
  </message>
  <message>
   <location filename="../../app/editors/scene_making.py" />
   <source>Vary a scene</source>
   <translation>Szene variieren</translation>
  </message>
  <message>
   <location filename="../../app/editors/scene_making.py" />
   <source>Into the song</source>
   <translation>In den Song</translation>
  </message>
  <message>
   <location filename="../../app/editors/scene_making.py" />
   <source>New song {made}</source>
   <translation>Neuer Song {made}</translation>
  </message>
  <message>
   <location filename="../../app/editors/scene_making.py" />
   <source>there is no song to put it into</source>
   <translation>es gibt keinen Song, in den sie könnte</translation>
  </message>
  <message>
   <location filename="../../app/editors/scene_making.py" />
   <source>there are no scenes yet</source>
   <translation>es gibt noch keine Szenen</translation>
  </message>
  <message>
   <location filename="../../app/editors/scene_making.py" />
   <source>All scenes</source>
   <translation>Alle Szenen</translation>
  </message>
  <message>
   <location filename="../../app/editors/scene_part.py" />
   <source>Longer chain</source>
   <translation>Längere Kette</translation>
  </message>
  <message>
   <location filename="../../app/editors/scene_part.py" />
   <source>As before</source>
   <translation>Wie davor</translation>
  </message>
  <message>
   <location filename="../../app/editors/scene_part.py" />
   <source>Silent voice</source>
   <translation>Stille Stimme</translation>
  </message>
  <message>
   <location filename="../../app/editors/scene_part.py" />
   <source>{box} has no patterns yet</source>
   <translation>{box} hat noch keine Patterns</translation>
  </message>
  <message>
   <location filename="../../app/editors/scene_part.py" />
   <source>nothing plays there yet: {one_after} chooses a pattern</source>
   <translation>dort spielt noch nichts: {one_after} wählt ein Pattern</translation>
  </message>
  <message>
   <location filename="../../app/editors/scene_part.py" />
   <source>Shorter chain</source>
   <translation>Kürzere Kette</translation>
  </message>
  <message>
   <location filename="../../app/editors/scene_part.py" />
   <source>Silent</source>
   <translation>Still</translation>
  </message>
  <message>
   <location filename="../../app/editors/scene_part.py" />
   <source>there is no scene before</source>
   <translation>es gibt keine Szene davor</translation>
  </message>
  <message>
   <location filename="../../app/editors/scene_part.py" />
   <source>Loop tracks</source>
   <translation>Loop-Spuren</translation>
  </message>
  <message>
   <location filename="../../app/editors/scene_part.py" />
   <source>there is no voice {number} there</source>
   <translation>dort gibt es keine Stimme {number}</translation>
  </message>
  <message>
   <location filename="../../app/editors/scene_part.py" />
   <source>Echo time</source>
   <translation>Echozeit</translation>
  </message>
  <message>
   <location filename="../../app/editors/scene_part.py" />
   <source>{device} has {loop_tracks} tracks</source>
   <translation>{device} hat {loop_tracks} Spuren</translation>
  </message>
  <message>
   <location filename="../../app/editors/scene_settings.py" />
   <source>Mutes</source>
   <translation>Mutes</translation>
  </message>
  <message>
   <location filename="../../app/editors/scene_settings.py" />
   <source>Mutes by hand</source>
   <translation>Mutes von Hand</translation>
  </message>
  <message>
   <location filename="../../app/editors/scene_settings.py" />
   <source>Role</source>
   <translation>Rolle</translation>
  </message>
  <message>
   <location filename="../../app/editors/scene_settings.py" />
   <source>What follows</source>
   <translation>Was folgt</translation>
  </message>
  <message>
   <location filename="../../app/editors/set_drags.py" />
   <source>place {number}: {costs}</source>
   <translation>Platz {number}: {costs}</translation>
  </message>
  <message>
   <location filename="../../app/editors/set_drags.py" />
   <source>{seconds:.1f} s</source>
   <translation>{seconds:.1f} s</translation>
  </message>
  <message>
   <location filename="../../app/editors/set_drags.py" />
   <source>tempo cut</source>
   <translation>Temposchnitt</translation>
  </message>
  <message>
   <location filename="../../app/editors/set_drags.py" />
   <source>tempo cuts</source>
   <translation>Temposchnitte</translation>
  </message>
  <message>
   <location filename="../../app/editors/set_drags.py" />
   <source>pair of keys that do not fit</source>
   <translation>Paar Tonarten, das nicht passt</translation>
  </message>
  <message>
   <location filename="../../app/editors/set_drags.py" />
   <source>pairs of keys that do not fit</source>
   <translation>Paare von Tonarten, die nicht passen</translation>
  </message>
  <message>
   <location filename="../../app/editors/set_drags.py" />
   <source>song not ready in time</source>
   <translation>Song, der nicht rechtzeitig bereit ist</translation>
  </message>
  <message>
   <location filename="../../app/editors/set_drags.py" />
   <source>songs not ready in time</source>
   <translation>Songs, die nicht rechtzeitig bereit sind</translation>
  </message>
  <message>
   <location filename="../../app/editors/set_drags.py" />
   <source>everything fits</source>
   <translation>alles passt</translation>
  </message>
  <message>
   <location filename="../../app/editors/set_drags.py" />
   <source>Move a song</source>
   <translation>Song verschieben</translation>
  </message>
  <message>
   <location filename="../../app/editors/set_drags.py" />
   <source>Silence</source>
   <translation>Stille</translation>
  </message>
  <message>
   <location filename="../../app/editors/set_drags.py" />
   <source>Ramp</source>
   <translation>Rampe</translation>
  </message>
  <message>
   <location filename="../../app/editors/set_form.py" />
   <source>after a stop</source>
   <translation>nach einem Halt</translation>
  </message>
  <message>
   <location filename="../../app/editors/set_form.py" />
   <source>cut on the bar</source>
   <translation>auf dem Takt geschnitten</translation>
  </message>
  <message>
   <location filename="../../app/editors/set_form.py" />
   <source>ramp over bars</source>
   <translation>Rampe über Takte</translation>
  </message>
  <message>
   <location filename="../../app/editors/set_form.py" />
   <source>Set {key}</source>
   <translation>{key} setzen</translation>
  </message>
  <message>
   <location filename="../../app/editors/set_form.py" />
   <source>a slot is at most a day (got {words!r})</source>
   <translation>eine Spielzeit ist höchstens ein Tag (bekommen: {words!r})</translation>
  </message>
  <message>
   <location filename="../../app/editors/set_form.py" />
   <source>there is no set yet: {new_set} makes one</source>
   <translation>noch kein Set da: {new_set} macht eins</translation>
  </message>
  <message>
   <location filename="../../app/editors/set_form.py" />
   <source>the set has no song there: {add_song} puts one in</source>
   <translation>das Set hat dort keinen Song: {add_song} setzt einen hinein</translation>
  </message>
  <message>
   <location filename="../../app/editors/set_form.py" />
   <source>Another song</source>
   <translation>Ein anderer Song</translation>
  </message>
  <message>
   <location filename="../../app/editors/set_form.py" />
   <source>a slot is minutes, such as 48 or 48:30 (got {words!r})</source>
   <translation>eine Spielzeit ist in Minuten, wie 48 oder 48:30 (bekommen: {words!r})</translation>
  </message>
  <message>
   <location filename="../../app/editors/set_form.py" />
   <source>write it as "box: what, 9 s", then helper or patch (got {part!r})</source>
   <translation>schreib es als "Gerät: was, 9 s", dann helper oder patch (bekommen: {part!r})</translation>
  </message>
  <message>
   <location filename="../../app/editors/set_form.py" />
   <source>there is no box {strip!r}</source>
   <translation>es gibt kein Gerät {strip!r}</translation>
  </message>
  <message>
   <location filename="../../app/editors/set_form.py" />
   <source>Slot</source>
   <translation>Spielzeit</translation>
  </message>
  <message>
   <location filename="../../app/editors/set_form.py" />
   <source>Weights</source>
   <translation>Gewichte</translation>
  </message>
  <message>
   <location filename="../../app/editors/set_places.py" />
   <source>Put a song in</source>
   <translation>Song einfügen</translation>
  </message>
  <message>
   <location filename="../../app/editors/set_places.py" />
   <source>Take a song out</source>
   <translation>Song herausnehmen</translation>
  </message>
  <message>
   <location filename="../../app/editors/set_places.py" />
   <source>there is no song to move</source>
   <translation>es gibt keinen Song zu verschieben</translation>
  </message>
  <message>
   <location filename="../../app/editors/set_places.py" />
   <source>there are no songs yet: Song makes them</source>
   <translation>noch keine Songs da: Song macht sie</translation>
  </message>
  <message>
   <location filename="../../app/editors/set_places.py" />
   <source>there is no song to take out</source>
   <translation>es gibt keinen Song herauszunehmen</translation>
  </message>
  <message>
   <location filename="../../app/editors/set_places.py" />
   <source>there is no song there: {add_song} puts one in</source>
   <translation>dort ist kein Song: {add_song} setzt einen hinein</translation>
  </message>
  <message>
   <location filename="../../app/editors/set_places.py" />
   <source>It comes in: {ways}.</source>
   <translation>Er setzt ein: {ways}.</translation>
  </message>
  <message>
   <location filename="../../app/editors/set_places.py" />
   <source>Pin</source>
   <translation>Festhalten</translation>
  </message>
  <message>
   <location filename="../../app/editors/set_whole.py" />
   <source>Energy wished for</source>
   <translation>Gewünschte Energie</translation>
  </message>
  <message>
   <location filename="../../app/editors/set_whole.py" />
   <source>An order</source>
   <translation>Eine Reihenfolge</translation>
  </message>
  <message>
   <location filename="../../app/editors/set_whole.py" />
   <source>Ordered: costs {cost:.1f} instead of {before:.1f}, {sure_words}. {undo} takes it back.</source>
   <translation>Geordnet: kostet {cost:.1f} statt {before:.1f}, {sure_words}. {undo} nimmt es zurück.</translation>
  </message>
  <message>
   <location filename="../../app/editors/set_whole.py" />
   <source>Another version</source>
   <translation>Eine andere Fassung</translation>
  </message>
  <message>
   <location filename="../../app/editors/set_whole.py" />
   <source>A version with everything in</source>
   <translation>Eine Fassung mit allem drin</translation>
  </message>
  <message>
   <location filename="../../app/editors/set_whole.py" />
   <source>an order wants two songs</source>
   <translation>eine Reihenfolge braucht zwei Songs</translation>
  </message>
  <message>
   <location filename="../../app/editors/set_whole.py" />
   <source>No other order fits better.</source>
   <translation>Keine andere Reihenfolge passt besser.</translation>
  </message>
  <message>
   <location filename="../../app/editors/set_whole.py" />
   <source>stop first: a set goes only while nothing plays</source>
   <translation>erst anhalten: ein Set geht nur weg, während nichts spielt</translation>
  </message>
  <message>
   <location filename="../../app/editors/set_whole.py" />
   <source>Remove {running}</source>
   <translation>{running} entfernen</translation>
  </message>
  <message>
   <location filename="../../app/editors/set_whole.py" />
   <source>stop first: another set is taken only while nothing plays</source>
   <translation>erst anhalten: ein anderes Set wird nur genommen, während nichts spielt</translation>
  </message>
  <message>
   <location filename="../../app/editors/set_whole.py" />
   <source>nothing plays: Space runs the set from this song</source>
   <translation>nichts spielt: die Leertaste startet das Set ab diesem Song</translation>
  </message>
  <message>
   <location filename="../../app/editors/set_whole.py" />
   <source>one song plays: stop, then Space here runs the set</source>
   <translation>ein Song spielt: anhalten, dann startet die Leertaste hier das Set</translation>
  </message>
  <message>
   <location filename="../../app/editors/song_drags.py" />
   <source>Move a section</source>
   <translation>Abschnitt verschieben</translation>
  </message>
  <message>
   <location filename="../../app/editors/song_drags.py" />
   <source>Mute region</source>
   <translation>Stummer Bereich</translation>
  </message>
  <message>
   <location filename="../../app/editors/song_drags.py" />
   <source>Controller curve</source>
   <translation>Controller-Kurve</translation>
  </message>
  <message>
   <location filename="../../app/editors/song_drags.py" />
   <source>Shape of a curve</source>
   <translation>Form einer Kurve</translation>
  </message>
  <message>
   <location filename="../../app/editors/song_drags.py" />
   <source>A drag over a box draws controller {number}; with Alt a line.</source>
   <translation>Ziehen über einem Gerät zeichnet Controller {number}; mit Alt eine Gerade.</translation>
  </message>
  <message>
   <location filename="../../app/editors/song_drags.py" />
   <source>A drag selects.</source>
   <translation>Ziehen wählt aus.</translation>
  </message>
  <message>
   <location filename="../../app/editors/song_drags.py" />
   <source>there is no box to draw a curve for</source>
   <translation>es gibt kein Gerät, für das eine Kurve zu zeichnen wäre</translation>
  </message>
  <message>
   <location filename="../../app/editors/song_form.py" />
   <source>carries on</source>
   <translation>läuft weiter</translation>
  </message>
  <message>
   <location filename="../../app/editors/song_form.py" />
   <source>there is no song that can be laid out</source>
   <translation>es gibt keinen Song, der sich auslegen lässt</translation>
  </message>
  <message>
   <location filename="../../app/editors/song_form.py" />
   <source>the song has no section yet: {insert_section} adds one</source>
   <translation>der Song hat noch keinen Abschnitt: {insert_section} fügt einen ein</translation>
  </message>
  <message>
   <location filename="../../app/editors/song_form.py" />
   <source>there is no song yet</source>
   <translation>noch kein Song da</translation>
  </message>
  <message>
   <location filename="../../app/editors/song_form.py" />
   <source>none</source>
   <translation>keine</translation>
  </message>
  <message>
   <location filename="../../app/editors/song_form.py" />
   <source>the song has sections 1 to {count} (got {words})</source>
   <translation>der Song hat Abschnitt 1 bis {count} (bekommen: {words})</translation>
  </message>
  <message>
   <location filename="../../app/editors/song_form.py" />
   <source>there is no section here</source>
   <translation>hier ist kein Abschnitt</translation>
  </message>
  <message>
   <location filename="../../app/editors/song_marks.py" />
   <source>bar {bar_at} to {bar_at2}</source>
   <translation>Takt {bar_at} bis {bar_at2}</translation>
  </message>
  <message>
   <location filename="../../app/editors/song_marks.py" />
   <source>{drums} {what}, {bars}.</source>
   <translation>{drums} {what}, {bars}.</translation>
  </message>
  <message>
   <location filename="../../app/editors/song_marks.py" />
   <source>Fills</source>
   <translation>Fills</translation>
  </message>
  <message>
   <location filename="../../app/editors/song_marks.py" />
   <source>A fill every {bars}.</source>
   <translation>Ein Fill alle {bars}.</translation>
  </message>
  <message>
   <location filename="../../app/editors/song_marks.py" />
   <source>No fills here.</source>
   <translation>Keine Fills hier.</translation>
  </message>
  <message>
   <location filename="../../app/editors/song_marks.py" />
   <source>Another pattern from here</source>
   <translation>Anderes Pattern ab hier</translation>
  </message>
  <message>
   <location filename="../../app/editors/song_marks.py" />
   <source>there is no device to mute</source>
   <translation>es gibt kein Gerät zum Stummschalten</translation>
  </message>
  <message>
   <location filename="../../app/editors/song_marks.py" />
   <source>no drums play there</source>
   <translation>dort spielen keine Drums</translation>
  </message>
  <message>
   <location filename="../../app/editors/song_marks.py" />
   <source>Drums in</source>
   <translation>Drums rein</translation>
  </message>
  <message>
   <location filename="../../app/editors/song_marks.py" />
   <source>Bar {bar_at}</source>
   <translation>Takt {bar_at}</translation>
  </message>
  <message>
   <location filename="../../app/editors/song_marks.py" />
   <source>there is no device to give another pattern</source>
   <translation>es gibt kein Gerät für ein anderes Pattern</translation>
  </message>
  <message>
   <location filename="../../app/editors/song_marks.py" />
   <source>{device} has no pattern yet</source>
   <translation>{device} hat noch kein Pattern</translation>
  </message>
  <message>
   <location filename="../../app/editors/song_marks.py" />
   <source>in again</source>
   <translation>wieder herein</translation>
  </message>
  <message>
   <location filename="../../app/editors/song_marks.py" />
   <source>out</source>
   <translation>heraus</translation>
  </message>
  <message>
   <location filename="../../app/editors/song_moves.py" />
   <source>The cursor goes by: {grid}.</source>
   <translation>Der Zeiger geht nach: {grid}.</translation>
  </message>
  <message>
   <location filename="../../app/editors/song_sections.py" />
   <source>{sections} of {song} are gone.</source>
   <translation>{sections} von {song} sind weg.</translation>
  </message>
  <message>
   <location filename="../../app/editors/song_sections.py" />
   <source>{made}: {sections}.</source>
   <translation>{made}: {sections}.</translation>
  </message>
  <message>
   <location filename="../../app/editors/song_sections.py" />
   <source>More passes</source>
   <translation>Mehr Durchgänge</translation>
  </message>
  <message>
   <location filename="../../app/editors/song_sections.py" />
   <source>Fewer passes</source>
   <translation>Weniger Durchgänge</translation>
  </message>
  <message>
   <location filename="../../app/editors/song_sections.py" />
   <source>Copy a section</source>
   <translation>Abschnitt kopieren</translation>
  </message>
  <message>
   <location filename="../../app/editors/song_sections.py" />
   <source>Remove a section</source>
   <translation>Abschnitt entfernen</translation>
  </message>
  <message>
   <location filename="../../app/editors/song_sections.py" />
   <source>Only these sections</source>
   <translation>Nur diese Abschnitte</translation>
  </message>
  <message>
   <location filename="../../app/editors/song_sections.py" />
   <source>Song of a form</source>
   <translation>Song nach einer Form</translation>
  </message>
  <message>
   <location filename="../../app/editors/song_sections.py" />
   <source>New song</source>
   <translation>Neuer Song</translation>
  </message>
  <message>
   <location filename="../../app/editors/song_sections.py" />
   <source>Keep what was played</source>
   <translation>Gespieltes behalten</translation>
  </message>
  <message>
   <location filename="../../app/editors/song_sections.py" />
   <source>Copy of {song}</source>
   <translation>Kopie von {song}</translation>
  </message>
  <message>
   <location filename="../../app/editors/song_sections.py" />
   <source>Remove {song}</source>
   <translation>{song} entfernen</translation>
  </message>
  <message>
   <location filename="../../app/editors/song_sections.py" />
   <source>, and its place in {names}</source>
   <translation>, und sein Platz in {names}</translation>
  </message>
  <message>
   <location filename="../../app/editors/song_sections.py" />
   <source>{song} is removed{places}.</source>
   <translation>{song} ist entfernt{places}.</translation>
  </message>
  <message>
   <location filename="../../app/editors/song_sections.py" />
   <source>Song in the box</source>
   <translation>Song im Gerät</translation>
  </message>
  <message>
   <location filename="../../app/editors/song_sections.py" />
   <source>Patterns in another order</source>
   <translation>Patterns in anderer Ordnung</translation>
  </message>
  <message>
   <location filename="../../app/editors/song_sections.py" />
   <source>section</source>
   <translation>Abschnitt</translation>
  </message>
  <message>
   <location filename="../../app/editors/song_sections.py" />
   <source>sections</source>
   <translation>Abschnitte</translation>
  </message>
  <message>
   <location filename="../../app/editors/song_sections.py" />
   <source>there are no scenes yet: make one in Scenes</source>
   <translation>noch keine Szenen da: in Szenen eine machen</translation>
  </message>
  <message>
   <location filename="../../app/editors/song_sections.py" />
   <source>Scene</source>
   <translation>Szene</translation>
  </message>
  <message>
   <location filename="../../app/editors/song_sections.py" />
   <source>stop first: what plays is not over yet</source>
   <translation>erst anhalten: was spielt, ist noch nicht vorbei</translation>
  </message>
  <message>
   <location filename="../../app/editors/song_sections.py" />
   <source>nothing has been played since this was opened</source>
   <translation>seit dem Öffnen wurde nichts gespielt</translation>
  </message>
  <message>
   <location filename="../../app/editors/song_sections.py" />
   <source>{things} a song cannot hold: markers say where.</source>
   <translation>{things}, was ein Song nicht halten kann: Marken sagen wo.</translation>
  </message>
  <message>
   <location filename="../../app/editors/song_sections.py" />
   <source>stop first: a song goes only while nothing plays</source>
   <translation>erst anhalten: ein Song geht nur weg, während nichts spielt</translation>
  </message>
  <message>
   <location filename="../../app/editors/song_sections.py" />
   <source>Grebe plays {device} note by note; W in the Rig changes that</source>
   <translation>Grebe spielt {device} Note für Note; W im Rig ändert das</translation>
  </message>
  <message>
   <location filename="../../app/editors/song_sections.py" />
   <source>there is no other order of its memory that would help</source>
   <translation>es gibt keine andere Ordnung seines Speichers, die hülfe</translation>
  </message>
  <message>
   <location filename="../../app/editors/song_sections.py" />
   <source>thing</source>
   <translation>Ding</translation>
  </message>
  <message>
   <location filename="../../app/editors/song_sections.py" />
   <source>things</source>
   <translation>Dinge</translation>
  </message>
  <message>
   <location filename="../../app/editors/taking.py" />
   <source>Taken from {other}: {names}.</source>
   <translation>Aus {other} genommen: {names}.</translation>
  </message>
  <message>
   <location filename="../../app/editors/taking.py" />
   <source>Take from {other}</source>
   <translation>Aus {other} nehmen</translation>
  </message>
  <message>
   <location filename="../../app/editors/using.py" />
   <source>Register</source>
   <translation>Register</translation>
  </message>
  <message>
   <location filename="../../app/editors/using.py" />
   <source>{song} is at {bpm:g} BPM now.</source>
   <translation>{song} hat jetzt {bpm:g} BPM.</translation>
  </message>
  <message>
   <location filename="../../app/editors/using.py" />
   <source>{song} is in {key} now.</source>
   <translation>{song} steht jetzt in {key}.</translation>
  </message>
  <message>
   <location filename="../../app/editors/using.py" />
   <source>The generator Register has these taps: Patterns, Generate.</source>
   <translation>Der Generator Register hat diese Abgriffe: Patterns, Erzeugen.</translation>
  </message>
  <message>
   <location filename="../../app/editors/using.py" />
   <source>{name} is at {note} in {scene} now.</source>
   <translation>{name} steht in {scene} jetzt auf {note}.</translation>
  </message>
  <message>
   <location filename="../../app/editors/using.py" />
   <source>Tempo from Tools</source>
   <translation>Tempo aus den Werkzeugen</translation>
  </message>
  <message>
   <location filename="../../app/editors/using.py" />
   <source>Key from Tools</source>
   <translation>Tonart aus den Werkzeugen</translation>
  </message>
  <message>
   <location filename="../../app/editors/using.py" />
   <source>Echo from Tools</source>
   <translation>Echo aus den Werkzeugen</translation>
  </message>
  <message>
   <location filename="../../app/editors/using.py" />
   <source>the unit cannot take {note}</source>
   <translation>das Gerät kann {note} nicht</translation>
  </message>
  <message>
   <location filename="../../app/editors/using.py" />
   <source>no echo takes part in {scene}</source>
   <translation>in {scene} macht kein Echo mit</translation>
  </message>
  <message>
   <location filename="../../app/editors/using.py" />
   <source>{song} has no section yet</source>
   <translation>{song} hat noch keinen Abschnitt</translation>
  </message>
  <message>
   <location filename="../../app/editors/using.py" />
   <source>nothing</source>
   <translation>nichts</translation>
  </message>
  <message>
   <location filename="../../app/engine/client.py" />
   <source>the engine gave no {name} within {timeout_s:g} s</source>
   <translation>die Engine gab in {timeout_s:g} s kein {name}</translation>
  </message>
  <message>
   <location filename="../../app/engine/client.py" />
   <source>the running engine is of another version (link {version}, this is {link_version}); end it when you can: grebe stop</source>
   <translation>die laufende Engine ist von anderer Fassung (Link {version}, dies ist {link_version}); beende sie, wenn du kannst: grebe stop</translation>
  </message>
  <message>
   <location filename="../../app/engine/client.py" />
   <source>no engine is running; start one: grebe engine</source>
   <translation>keine Engine läuft; starte eine: grebe engine</translation>
  </message>
  <message>
   <location filename="../../app/engine/link.py" />
   <source>An engine is playing {project}. Attach to it, or end it and have one for this project.</source>
   <translation>Eine Engine spielt {project}. Schließ dich an, oder beende sie und nimm eine für dieses Projekt.</translation>
  </message>
  <message>
   <location filename="../../app/engine/link.py" />
   <source>The engine ended. Another is being started.</source>
   <translation>Die Engine ist zu Ende. Eine andere wird gestartet.</translation>
  </message>
  <message>
   <location filename="../../app/engine/link.py" />
   <source>The engine has said nothing for {silent_s:g} s: it is stopped, or gets no processor. What is shown may be past. {stop_engine} ends it.</source>
   <translation>Die Engine sagt seit {silent_s:g} s nichts: sie ist angehalten oder bekommt keinen Prozessor. Was gezeigt wird, kann vorbei sein. {stop_engine} beendet sie.</translation>
  </message>
  <message>
   <location filename="../../app/engine/link.py" />
   <source>The engine does not start: {error}</source>
   <translation>Die Engine startet nicht: {error}</translation>
  </message>
  <message>
   <location filename="../../app/engine/plan_feed.py" />
   <source>{error}. What played before plays on.</source>
   <translation>{error}. Was vorher spielte, spielt weiter.</translation>
  </message>
  <message>
   <location filename="../../app/engine/supervisor.py" />
   <source>the stand-ins did not start</source>
   <translation>die simulierten Geräte starteten nicht</translation>
  </message>
  <message>
   <location filename="../../app/gear.py" />
   <source>{profiles}, {notes}, {trials}</source>
   <translation>{profiles}, {notes}, {trials}</translation>
  </message>
  <message>
   <location filename="../../app/gear.py" />
   <source>profile</source>
   <translation>Profil</translation>
  </message>
  <message>
   <location filename="../../app/gear.py" />
   <source>profiles</source>
   <translation>Profile</translation>
  </message>
  <message>
   <location filename="../../app/gear.py" />
   <source>try</source>
   <translation>Versuch</translation>
  </message>
  <message>
   <location filename="../../app/gear.py" />
   <source>tries</source>
   <translation>Versuche</translation>
  </message>
  <message>
   <location filename="../../app/guessing.py" />
   <source>anybody who hears one packet could guess that passphrase. A few words that have nothing to do with each other will do, for instance: {proposal}</source>
   <translation>wer ein Paket hört, könnte dieses Kennwort erraten. Einige Wörter, die nichts miteinander zu tun haben, reichen, zum Beispiel: {proposal}</translation>
  </message>
  <message>
   <location filename="../../app/kept.py" />
   <source>{path} was damaged and is now {aside}: started without it.</source>
   <translation>{path} war beschädigt und heißt jetzt {aside}: ohne es gestartet.</translation>
  </message>
  <message>
   <location filename="../../app/kept.py" />
   <source>{path} could not be read ({strerror}): started without it.</source>
   <translation>{path} konnte nicht gelesen werden ({strerror}): ohne es gestartet.</translation>
  </message>
  <message>
   <location filename="../../app/kept.py" />
   <source>{path} is damaged ({name}): started without it.</source>
   <translation>{path} ist beschädigt ({name}): ohne es gestartet.</translation>
  </message>
  <message>
   <location filename="../../app/live/channel_search.py" />
   <source>Each box is muted for two bars; {bars} in all. Esc gives up.</source>
   <translation>Jedes Gerät schweigt zwei Takte lang; {bars} insgesamt. Esc bricht ab.</translation>
  </message>
  <message>
   <location filename="../../app/live/channel_search.py" />
   <source>choose in the Rig at which channel this box is heard: any of its interface</source>
   <translation>im Rig wählen, an welchem Kanal dieses Gerät ankommt: irgendeiner seines Interface</translation>
  </message>
  <message>
   <location filename="../../app/live/channel_search.py" />
   <source>no box plays here that could be muted</source>
   <translation>hier spielt kein Gerät, das stumm werden könnte</translation>
  </message>
  <message>
   <location filename="../../app/live/channel_search.py" />
   <source>Mute {box} now.</source>
   <translation>{box} jetzt stumm schalten.</translation>
  </message>
  <message>
   <location filename="../../app/live/channel_search.py" />
   <source>{box} may sound again.</source>
   <translation>{box} darf wieder klingen.</translation>
  </message>
  <message>
   <location filename="../../app/live/channel_search.py" />
   <source>Channels of boxes</source>
   <translation>Kanäle der Geräte</translation>
  </message>
  <message>
   <location filename="../../app/live/channel_search.py" />
   <source>Heard: {rows}.</source>
   <translation>Gehört: {rows}.</translation>
  </message>
  <message>
   <location filename="../../app/live/channel_search.py" />
   <source>No channel fell silent with a box.</source>
   <translation>Kein Kanal wurde mit einem Gerät still.</translation>
  </message>
  <message>
   <location filename="../../app/live/channel_search.py" />
   <source>Of several boxes, or none: {names}.</source>
   <translation>Von mehreren Geräten oder keinem: {names}.</translation>
  </message>
  <message>
   <location filename="../../app/live/checking.py" />
   <source>The furthest off was {before:.1f} ms, and is {now:.1f}.</source>
   <translation>Am weitesten daneben waren {before:.1f} ms, nun sind es {now:.1f}.</translation>
  </message>
  <message>
   <location filename="../../app/live/checking.py" />
   <source>Checked {count} boxes: {good} are good.</source>
   <translation>{count} Geräte geprüft: {good} sind gut.</translation>
  </message>
  <message>
   <location filename="../../app/live/checking.py" />
   <source>Listening for {bars} bars; Esc gives up.</source>
   <translation>Höre {bars} Takte lang zu; Esc gibt auf.</translation>
  </message>
  <message>
   <location filename="../../app/live/checking.py" />
   <source>Listened no further; nothing was kept of it.</source>
   <translation>Nicht weiter zugehört; nichts davon wurde behalten.</translation>
  </message>
  <message>
   <location filename="../../app/live/checking.py" />
   <source>There are no boxes.</source>
   <translation>Es gibt keine Geräte.</translation>
  </message>
  <message>
   <location filename="../../app/live/drifting.py" />
   <source>{minutes:.0f} min</source>
   <translation>{minutes:.0f} min</translation>
  </message>
  <message>
   <location filename="../../app/live/drifting.py" />
   <source>{sure:.0f} % sure</source>
   <translation>{sure:.0f} % sicher</translation>
  </message>
  <message>
   <location filename="../../app/live/drifting.py" />
   <source>{box} is sent {ms:+.1f} ms from now on, over a bar.</source>
   <translation>{box} wird von nun an mit {ms:+.1f} ms gesendet, über einen Takt hin.</translation>
  </message>
  <message>
   <location filename="../../app/live/drifting.py" />
   <source>{seconds:.0f} s</source>
   <translation>{seconds:.0f} s</translation>
  </message>
  <message>
   <location filename="../../app/live/drifting.py" />
   <source>late</source>
   <translation>spät</translation>
  </message>
  <message>
   <location filename="../../app/live/drifting.py" />
   <source>early</source>
   <translation>früh</translation>
  </message>
  <message>
   <location filename="../../app/live/drifting.py" />
   <source>{box} has jumped: {now:.1f} ms {late} now ({sure}).</source>
   <translation>{box} ist gesprungen: jetzt {now:.1f} ms {late} ({sure}).</translation>
  </message>
  <message>
   <location filename="../../app/live/drifting.py" />
   <source>{box} drifts: {now:.1f} ms {late} now, {rate:+.1f} ms a minute ({sure}).</source>
   <translation>{box} driftet: jetzt {now:.1f} ms {late}, {rate:+.1f} ms in der Minute ({sure}).</translation>
  </message>
  <message>
   <location filename="../../app/live/drifting.py" />
   <source>{put_right} puts it right.</source>
   <translation>{put_right} rückt es zurecht.</translation>
  </message>
  <message>
   <location filename="../../app/live/drifting.py" />
   <source>{box} put right</source>
   <translation>{box} zurechtgerückt</translation>
  </message>
  <message>
   <location filename="../../app/live/drifting.py" />
   <source>It is not on the clock: let it follow.</source>
   <translation>Es läuft nicht nach der Clock: folgen lassen.</translation>
  </message>
  <message>
   <location filename="../../app/live/drifting.py" />
   <source>It is heard.</source>
   <translation>Es ist zu hören.</translation>
  </message>
  <message>
   <location filename="../../app/live/drifting.py" />
   <source>nothing that is heard moves against the beat</source>
   <translation>nichts, was gehört wird, bewegt sich gegen den Schlag</translation>
  </message>
  <message>
   <location filename="../../app/live/drifting.py" />
   <source>Heard in {time}.</source>
   <translation>Zu hören in {time}.</translation>
  </message>
  <message>
   <location filename="../../app/live/ear_actions.py" />
   <source>Twelve clicks are played into the cable.</source>
   <translation>Zwölf Klicks gehen in das Kabel.</translation>
  </message>
  <message>
   <location filename="../../app/live/ear_actions.py" />
   <source>Set: {offsets}. Check again, and what it brought is shown.</source>
   <translation>Gesetzt: {offsets}. Noch einmal prüfen zeigt, was es gebracht hat.</translation>
  </message>
  <message>
   <location filename="../../app/live/ear_actions.py" />
   <source>Your timing is measured afresh.</source>
   <translation>Das eigene Timing wird von vorn gemessen.</translation>
  </message>
  <message>
   <location filename="../../app/live/ear_actions.py" />
   <source>choose in the Rig at which channel this box is heard</source>
   <translation>im Rig wählen, an welchem Kanal dieses Gerät ankommt</translation>
  </message>
  <message>
   <location filename="../../app/live/ear_actions.py" />
   <source>stop first: clicks are played into the cable</source>
   <translation>erst anhalten: es gehen Klicks in das Kabel</translation>
  </message>
  <message>
   <location filename="../../app/live/ear_actions.py" />
   <source>it is being measured</source>
   <translation>es wird gerade gemessen</translation>
  </message>
  <message>
   <location filename="../../app/live/ear_actions.py" />
   <source>Run one cable from {out} to {into}, with nothing else at {out}: clicks are played there, which speakers and ears must not get. The same again does it.</source>
   <translation>Ein Kabel von {out} nach {into} stecken, sonst nichts an {out}: dort kommen Klicks heraus, die Lautsprecher und Ohren nicht bekommen dürfen. Dasselbe noch einmal tut es.</translation>
  </message>
  <message>
   <location filename="../../app/live/ear_actions.py" />
   <source>it could not be measured</source>
   <translation>es ließ sich nicht messen</translation>
  </message>
  <message>
   <location filename="../../app/live/ear_actions.py" />
   <source>No loop: {why}.</source>
   <translation>Keine Schleife: {why}.</translation>
  </message>
  <message>
   <location filename="../../app/live/ear_actions.py" />
   <source>There and back {frames:g} samples, {ms:.2f} ms; half of it is taken off what is heard there.</source>
   <translation>Hin und zurück {frames:g} Samples, {ms:.2f} ms; die Hälfte davon wird von allem dort Gehörten abgezogen.</translation>
  </message>
  <message>
   <location filename="../../app/live/ear_actions.py" />
   <source>no box that was checked needs another offset</source>
   <translation>kein geprüftes Gerät braucht einen anderen Versatz</translation>
  </message>
  <message>
   <location filename="../../app/live/ear_actions.py" />
   <source>offset</source>
   <translation>Versatz</translation>
  </message>
  <message>
   <location filename="../../app/live/ear_actions.py" />
   <source>offsets</source>
   <translation>Versätze</translation>
  </message>
  <message>
   <location filename="../../app/live/hands.py" />
   <source>nothing clicks yet: choose a box for it in the Rig, with K</source>
   <translation>noch klickt nichts: mit K im Rig ein Gerät dafür wählen</translation>
  </message>
  <message>
   <location filename="../../app/live/hearing.py" />
   <source>Boxes cannot be heard by ear: {why}.</source>
   <translation>Geräte sind nicht nach Gehör zu messen: {why}.</translation>
  </message>
  <message>
   <location filename="../../app/live/hearing.py" />
   <source>the ears' process ended</source>
   <translation>der Prozess der Ohren endete</translation>
  </message>
  <message>
   <location filename="../../app/live/learning.py" />
   <source>Learn a press</source>
   <translation>Einen Druck lernen</translation>
  </message>
  <message>
   <location filename="../../app/live/learning.py" />
   <source>{name}: {trigger_words} does that.</source>
   <translation>{name}: {trigger_words} tut das.</translation>
  </message>
  <message>
   <location filename="../../app/live/learning.py" />
   <source>Panic</source>
   <translation>Panik</translation>
  </message>
  <message>
   <location filename="../../app/live/learning.py" />
   <source>{name}: {trigger_words} panics from now on.</source>
   <translation>{name}: {trigger_words} löst von jetzt an Panik aus.</translation>
  </message>
  <message>
   <location filename="../../app/live/looping.py" />
   <source>the next bar</source>
   <translation>dem nächsten Takt</translation>
  </message>
  <message>
   <location filename="../../app/live/looping.py" />
   <source>the longest loop's end</source>
   <translation>dem Ende des längsten Loops</translation>
  </message>
  <message>
   <location filename="../../app/live/looping.py" />
   <source>Loop tracks start and stop at {where}.</source>
   <translation>Loop-Spuren beginnen und enden auf {where}.</translation>
  </message>
  <message>
   <location filename="../../app/live/looping.py" />
   <source>ends after {bars}</source>
   <translation>endet nach {bars}</translation>
  </message>
  <message>
   <location filename="../../app/live/looping.py" />
   <source>is open until it is closed</source>
   <translation>ist offen, bis sie geschlossen wird</translation>
  </message>
  <message>
   <location filename="../../app/live/looping.py" />
   <source>The next recording {words}.</source>
   <translation>Die nächste Aufnahme {words}.</translation>
  </message>
  <message>
   <location filename="../../app/live/looping.py" />
   <source>{bars} at {bpm:.2f} BPM: all run on the loop.</source>
   <translation>{bars} bei {bpm:.2f} BPM: alles läuft auf dem Loop.</translation>
  </message>
  <message>
   <location filename="../../app/live/looping.py" />
   <source>{name}'s loops stay at {bpm:.4g} BPM: at {bpm2:.4g} they run {value:.0f} ms {way} with every bar</source>
   <translation>{name}s Loops bleiben bei {bpm:.4g} BPM: bei {bpm2:.4g} laufen sie mit jedem Takt {value:.0f} ms {way}</translation>
  </message>
  <message>
   <location filename="../../app/live/looping.py" />
   <source>there is no loop track {number} that Grebe can tell</source>
   <translation>es gibt keine Loop-Spur {number}, der Grebe etwas sagen kann</translation>
  </message>
  <message>
   <location filename="../../app/live/looping.py" />
   <source>there is no looper that Grebe can tell</source>
   <translation>es gibt keinen Looper, dem Grebe etwas sagen kann</translation>
  </message>
  <message>
   <location filename="../../app/live/looping.py" />
   <source>a first loop is played while nothing runs: stop first</source>
   <translation>ein erster Loop wird gespielt, während nichts läuft: erst anhalten</translation>
  </message>
  <message>
   <location filename="../../app/live/looping.py" />
   <source>The first loop is recorded; the same key on its end closes it.</source>
   <translation>Der erste Loop wird aufgenommen; dieselbe Taste an seinem Ende schließt ihn.</translation>
  </message>
  <message>
   <location filename="../../app/live/looping.py" />
   <source>{words}. The same again within 3 s does it.</source>
   <translation>{words}. Dasselbe noch einmal innerhalb von 3 s tut es.</translation>
  </message>
  <message>
   <location filename="../../app/live/networking.py" />
   <source>What runs here takes their tempo, not the song's {bpm:g} BPM.</source>
   <translation>Was hier läuft, nimmt ihr Tempo an, nicht die {bpm:g} BPM des Songs.</translation>
  </message>
  <message>
   <location filename="../../app/live/networking.py" />
   <source>with its passphrase</source>
   <translation>mit ihrem Kennwort</translation>
  </message>
  <message>
   <location filename="../../app/live/networking.py" />
   <source>open: others' tempi wait to be accepted</source>
   <translation>offen: Tempi anderer warten auf Annahme</translation>
  </message>
  <message>
   <location filename="../../app/live/networking.py" />
   <source>Joining {joined}, {how}. {tempo}</source>
   <translation>{joined} wird beigetreten, {how}. {tempo}</translation>
  </message>
  <message>
   <location filename="../../app/live/networking.py" />
   <source>Run brings all of them to this song's {bpm:g} BPM.</source>
   <translation>Start bringt alle auf die {bpm:g} BPM dieses Songs.</translation>
  </message>
  <message>
   <location filename="../../app/live/networking.py" />
   <source>The session was left. What plays here goes on.</source>
   <translation>Die Sitzung wurde verlassen. Was hier spielt, spielt weiter.</translation>
  </message>
  <message>
   <location filename="../../app/live/networking.py" />
   <source>{row}'s tempo and starts count from now on.</source>
   <translation>Tempo und Starts von {row} zählen von jetzt an.</translation>
  </message>
  <message>
   <location filename="../../app/live/networking.py" />
   <source>there is no engine yet to join with</source>
   <translation>noch keine Engine da zum Beitreten</translation>
  </message>
  <message>
   <location filename="../../app/live/networking.py" />
   <source>OSC is off.</source>
   <translation>OSC ist aus.</translation>
  </message>
  <message>
   <location filename="../../app/live/networking.py" />
   <source>others, too</source>
   <translation>auch an andere</translation>
  </message>
  <message>
   <location filename="../../app/live/networking.py" />
   <source>this computer only</source>
   <translation>nur an diesen Computer</translation>
  </message>
  <message>
   <location filename="../../app/live/networking.py" />
   <source>OSC listens at port {port}, to {where}.</source>
   <translation>OSC hört an Port {port}, {where}.</translation>
  </message>
  <message>
   <location filename="../../app/live/networking.py" />
   <source>nobody waits to be accepted</source>
   <translation>niemand wartet auf Annahme</translation>
  </message>
  <message>
   <location filename="../../app/live/networking.py" />
   <source>{row} would have {asks_bpm:g} BPM: {accept_peer} accepts it.</source>
   <translation>{row} möchte {asks_bpm:g} BPM: {accept_peer} nimmt an.</translation>
  </message>
  <message>
   <location filename="../../app/live/networking.py" />
   <source>computer in the session</source>
   <translation>Computer in der Sitzung</translation>
  </message>
  <message>
   <location filename="../../app/live/networking.py" />
   <source>{here} is in the session.</source>
   <translation>{here} ist in der Sitzung.</translation>
  </message>
  <message>
   <location filename="../../app/live/networking.py" />
   <source>{known} has left the session.</source>
   <translation>{known} hat die Sitzung verlassen.</translation>
  </message>
  <message>
   <location filename="../../app/live/out_of_trouble.py" />
   <source>change</source>
   <translation>Änderung</translation>
  </message>
  <message>
   <location filename="../../app/live/out_of_trouble.py" />
   <source>changes</source>
   <translation>Änderungen</translation>
  </message>
  <message>
   <location filename="../../app/live/out_of_trouble.py" />
   <source>there is nothing of {song} to bring in</source>
   <translation>von {song} gibt es nichts hereinzuholen</translation>
  </message>
  <message>
   <location filename="../../app/live/out_of_trouble.py" />
   <source>Bring in</source>
   <translation>Hereinholen</translation>
  </message>
  <message>
   <location filename="../../app/live/out_of_trouble.py" />
   <source>It stands in the song after what plays.</source>
   <translation>Es steht im Song hinter dem, was spielt.</translation>
  </message>
  <message>
   <location filename="../../app/live/out_of_trouble.py" />
   <source>, {moves} by hand</source>
   <translation>, {moves} von Hand</translation>
  </message>
  <message>
   <location filename="../../app/live/out_of_trouble.py" />
   <source>, {boxes} new in the rig</source>
   <translation>, {boxes} neu im Rig</translation>
  </message>
  <message>
   <location filename="../../app/live/out_of_trouble.py" />
   <source>at {bpm:.4g} BPM as it runs</source>
   <translation>mit {bpm:.4g} BPM, wie es läuft</translation>
  </message>
  <message>
   <location filename="../../app/live/out_of_trouble.py" />
   <source>Capture</source>
   <translation>Mitschnitt</translation>
  </message>
  <message>
   <location filename="../../app/live/out_of_trouble.py" />
   <source>{bars} of what you played sound on {line} from the next bar.</source>
   <translation>{bars} von dem, was gespielt wurde, klingen ab dem nächsten Takt auf {line}.</translation>
  </message>
  <message>
   <location filename="../../app/live/out_of_trouble.py" />
   <source>Lay over</source>
   <translation>Darüberlegen</translation>
  </message>
  <message>
   <location filename="../../app/live/out_of_trouble.py" />
   <source>What you played lies over what {line} plays.</source>
   <translation>Was gespielt wurde, liegt über dem, was {line} spielt.</translation>
  </message>
  <message>
   <location filename="../../app/live/out_of_trouble.py" />
   <source>nothing plays: run it, then bring something else in</source>
   <translation>es spielt nichts: erst starten, dann anderes hereinholen</translation>
  </message>
  <message>
   <location filename="../../app/live/out_of_trouble.py" />
   <source>{name} (set)</source>
   <translation>{name} (Set)</translation>
  </message>
  <message>
   <location filename="../../app/live/out_of_trouble.py" />
   <source>no other project was open lately</source>
   <translation>zuletzt war kein anderes Projekt offen</translation>
  </message>
  <message>
   <location filename="../../app/live/out_of_trouble.py" />
   <source>, more than your hands can do in a bar</source>
   <translation>, mehr als die Hände in einem Takt schaffen</translation>
  </message>
  <message>
   <location filename="../../app/live/out_of_trouble.py" />
   <source>at its own {bpm:.4g} BPM</source>
   <translation>in eigenen {bpm:.4g} BPM</translation>
  </message>
  <message>
   <location filename="../../app/live/out_of_trouble.py" />
   <source>at its own tempo</source>
   <translation>im eigenen Tempo</translation>
  </message>
  <message>
   <location filename="../../app/live/out_of_trouble.py" />
   <source>nothing has been played in yet</source>
   <translation>noch wurde nichts eingespielt</translation>
  </message>
  <message>
   <location filename="../../app/live/out_of_trouble.py" />
   <source>{line} plays its own patterns: let Grebe play it, or teach it this</source>
   <translation>{line} spielt eigene Patterns: Grebe spielen lassen oder es dem Gerät beibringen</translation>
  </message>
  <message>
   <location filename="../../app/live/out_of_trouble.py" />
   <source>{line} plays no pattern to lay it over</source>
   <translation>{line} spielt kein Pattern, über das es gelegt werden könnte</translation>
  </message>
  <message>
   <location filename="../../app/live/out_of_trouble.py" />
   <source>box</source>
   <translation>Gerät</translation>
  </message>
  <message>
   <location filename="../../app/live/out_of_trouble.py" />
   <source>boxes</source>
   <translation>Geräte</translation>
  </message>
  <message>
   <location filename="../../app/live/out_of_trouble.py" />
   <source>{line}, played</source>
   <translation>{line}, gespielt</translation>
  </message>
  <message>
   <location filename="../../app/live/own_timing.py" />
   <source>Your hands, on pads or keys</source>
   <translation>Die Hände, auf Pads oder Tasten</translation>
  </message>
  <message>
   <location filename="../../app/live/own_timing.py" />
   <source>Of these, on the one</source>
   <translation>Davon auf der Eins</translation>
  </message>
  <message>
   <location filename="../../app/live/own_timing.py" />
   <source>What you play, by its sound</source>
   <translation>Was du spielst, nach dem Klang</translation>
  </message>
  <message>
   <location filename="../../app/live/own_timing.py" />
   <source>Your foot, on the one</source>
   <translation>Der Fuß, auf der Eins</translation>
  </message>
  <message>
   <location filename="../../app/live/own_timing.py" />
   <source>{ms:+.1f} ms are taken off when a foot closes a first loop.</source>
   <translation>{ms:+.1f} ms werden abgezogen, wenn ein Fuß einen ersten Loop schließt.</translation>
  </message>
  <message>
   <location filename="../../app/live/own_timing.py" />
   <source>Habit of the foot</source>
   <translation>Gewohnheit des Fußes</translation>
  </message>
  <message>
   <location filename="../../app/live/own_timing.py" />
   <source>the foot has to be pressed on the one {count} times first: it was {done}</source>
   <translation>der Fuß muss erst {count} Mal auf der Eins drücken: es war {done} Mal</translation>
  </message>
  <message>
   <location filename="../../app/live/own_timing.py" />
   <source>the foot has no habit that is sure: it is as often early as late</source>
   <translation>der Fuß hat keine sichere Gewohnheit: er ist so oft zu früh wie zu spät</translation>
  </message>
  <message>
   <location filename="../../app/live/perform.py" />
   <source>The rig has no cable from {device} to Grebe; run as if it had one.</source>
   <translation>Das Rig hat kein Kabel von {device} zu Grebe; gespielt, als gäbe es eins.</translation>
  </message>
  <message>
   <location filename="../../app/live/perform.py" />
   <source>{device}'s clock does not reach Grebe: look at what it can send, at its cables' filters and at where its pulses are heard in the Rig, or use --leader grebe</source>
   <translation>Die Clock von {device} erreicht Grebe nicht: im Rig ansehen, was es senden kann, die Filter seiner Kabel und wo seine Pulse gehört werden, oder --leader grebe nehmen</translation>
  </message>
  <message>
   <location filename="../../app/live/performer.py" />
   <source>Launches come in {words}.</source>
   <translation>Einsätze kommen {words}.</translation>
  </message>
  <message>
   <location filename="../../app/live/performer.py" />
   <source>Coming in on the session's next one.</source>
   <translation>Setzt auf der nächsten Eins der Sitzung ein.</translation>
  </message>
  <message>
   <location filename="../../app/live/performer.py" />
   <source>that song cannot be played</source>
   <translation>dieser Song kann nicht gespielt werden</translation>
  </message>
  <message>
   <location filename="../../app/live/performer.py" />
   <source>What changes by itself goes on.</source>
   <translation>Was sich von selbst ändert, geht weiter.</translation>
  </message>
  <message>
   <location filename="../../app/live/performer.py" />
   <source>What changes by itself stays as it is.</source>
   <translation>Was sich von selbst ändert, bleibt, wie es ist.</translation>
  </message>
  <message>
   <location filename="../../app/live/phones.py" />
   <source>what serves the phones has ended</source>
   <translation>was die Telefone bedient, ist beendet</translation>
  </message>
  <message>
   <location filename="../../app/live/playing_on.py" />
   <source>Without {box}</source>
   <translation>Ohne {box}</translation>
  </message>
  <message>
   <location filename="../../app/live/playing_on.py" />
   <source>Without {box}: {words}</source>
   <translation>Ohne {box}: {words}</translation>
  </message>
  <message>
   <location filename="../../app/live/playing_on.py" />
   <source>{box} is gone. {play_on} plays on without it.</source>
   <translation>{box} ist weg. {play_on} spielt ohne es weiter.</translation>
  </message>
  <message>
   <location filename="../../app/live/playing_on.py" />
   <source>Nothing has to be otherwise without {box}.</source>
   <translation>Ohne {box} muss nichts anders sein.</translation>
  </message>
  <message>
   <location filename="../../app/live/playing_on.py" />
   <source>no box is gone; Rig says under What if what would be without one</source>
   <translation>kein Gerät ist weg; Rig sagt unter Was wenn, was ohne eines wäre</translation>
  </message>
  <message>
   <location filename="../../app/live/preview.py" />
   <source>nothing can be heard without an engine</source>
   <translation>ohne Engine ist nichts zu hören</translation>
  </message>
  <message>
   <location filename="../../app/live/preview.py" />
   <source>stop first: it would sound into what plays</source>
   <translation>erst anhalten: es klänge in das hinein, was spielt</translation>
  </message>
  <message>
   <location filename="../../app/live/preview.py" />
   <source>no box of the rig is of its kind: it is heard once it is taken</source>
   <translation>kein Gerät des Aufbaus ist von seiner Art: zu hören ist es, wenn es übernommen ist</translation>
  </message>
  <message>
   <location filename="../../app/live/probing.py" />
   <source>A looper or sampler may record a note, or at Start. Say yes only if it cannot.</source>
   <translation>Ein Looper oder Sampler nimmt eine Note vielleicht auf, oder bei Start. Nur ja sagen, wenn er das nicht kann.</translation>
  </message>
  <message>
   <location filename="../../app/live/probing.py" />
   <source>What the probe of {device} found</source>
   <translation>Was das Ausforschen von {device} fand</translation>
  </message>
  <message>
   <location filename="../../app/live/probing.py" />
   <source>{device} is probed over MIDI: choose its port in the Rig</source>
   <translation>{device} wird über MIDI ausgeforscht: seinen Port im Rig wählen</translation>
  </message>
  <message>
   <location filename="../../app/live/probing.py" />
   <source>nothing of {device} is heard: choose in the Rig where its sound or its MIDI comes in</source>
   <translation>von {device} ist nichts zu hören: im Rig wählen, wo sein Klang oder sein MIDI ankommt</translation>
  </message>
  <message>
   <location filename="../../app/live/probing.py" />
   <source>stop first: a box is probed while nothing plays</source>
   <translation>erst anhalten: ein Gerät wird ausgeforscht, während nichts spielt</translation>
  </message>
  <message>
   <location filename="../../app/live/probing.py" />
   <source>{device} gets clock while stopped: switch that off to probe it</source>
   <translation>{device} bekommt Clock auch im Stillstand: das zum Ausforschen ausschalten</translation>
  </message>
  <message>
   <location filename="../../app/live/probing.py" />
   <source>another box is probed: Esc stops that</source>
   <translation>ein anderes Gerät wird ausgeforscht: Esc hält das an</translation>
  </message>
  <message>
   <location filename="../../app/live/probing.py" />
   <source>The probe was stopped: something plays now.</source>
   <translation>Das Ausforschen wurde angehalten: jetzt spielt etwas.</translation>
  </message>
  <message>
   <location filename="../../app/live/probing.py" />
   <source>The probe was lost: {why}.</source>
   <translation>Das Ausforschen brach ab: {why}.</translation>
  </message>
  <message>
   <location filename="../../app/live/probing.py" />
   <source>{device} has not been probed to the end</source>
   <translation>{device} ist nicht bis zum Ende ausgeforscht</translation>
  </message>
  <message>
   <location filename="../../app/live/probing.py" />
   <source>Probed. Nothing was left sounding.</source>
   <translation>Ausgeforscht. Nichts klingt mehr.</translation>
  </message>
  <message>
   <location filename="../../app/live/rehearsal.py" />
   <source>stop first: a rehearsal begins from where it stands</source>
   <translation>erst anhalten: eine Probe beginnt von dort, wo es steht</translation>
  </message>
  <message>
   <location filename="../../app/live/rehearsal.py" />
   <source>there is no song {song} any more</source>
   <translation>es gibt keinen Song {song} mehr</translation>
  </message>
  <message>
   <location filename="../../app/live/rehearsal.py" />
   <source>{song} does not go from {before} to {after} any more</source>
   <translation>{song} geht nicht mehr von {before} zu {after}</translation>
  </message>
  <message>
   <location filename="../../app/live/rehearsal.py" />
   <source>Bring in {what}</source>
   <translation>{what} einsetzen</translation>
  </message>
  <message>
   <location filename="../../app/live/run_diary.py" />
   <source>launch</source>
   <translation>Start</translation>
  </message>
  <message>
   <location filename="../../app/live/run_diary.py" />
   <source>the clock of {box} was lost</source>
   <translation>die Clock von {box} war weg</translation>
  </message>
  <message>
   <location filename="../../app/live/run_diary.py" />
   <source>JACK lost time</source>
   <translation>JACK hat Zeit verloren</translation>
  </message>
  <message>
   <location filename="../../app/live/run_diary.py" />
   <source>silent</source>
   <translation>stumm</translation>
  </message>
  <message>
   <location filename="../../app/live/run_diary.py" />
   <source>sounds</source>
   <translation>klingt</translation>
  </message>
  <message>
   <location filename="../../app/live/run_diary.py" />
   <source>{box} was gone</source>
   <translation>{box} war weg</translation>
  </message>
  <message>
   <location filename="../../app/live/run_diary.py" />
   <source>the clock of {box} is back</source>
   <translation>die Clock von {box} ist wieder da</translation>
  </message>
  <message>
   <location filename="../../app/live/run_diary.py" />
   <source>fill</source>
   <translation>Fill</translation>
  </message>
  <message>
   <location filename="../../app/live/run_diary.py" />
   <source>{box} is back</source>
   <translation>{box} ist wieder da</translation>
  </message>
  <message>
   <location filename="../../app/live/run_diary.py" />
   <source>track {number}: {act}</source>
   <translation>Spur {number}: {act}</translation>
  </message>
  <message>
   <location filename="../../app/live/session.py" />
   <source>beat {beat:.1f}</source>
   <translation>Schlag {beat:.1f}</translation>
  </message>
  <message>
   <location filename="../../app/live/session.py" />
   <source>Attached to the engine that was already playing.</source>
   <translation>An die Engine angeschlossen, die schon spielte.</translation>
  </message>
  <message>
   <location filename="../../app/live/session.py" />
   <source>The engine had ended; another is ready. {run_stop} comes back in on the next bar.</source>
   <translation>Die Engine war zu Ende; eine andere ist bereit. {run_stop} setzt auf dem nächsten Takt wieder ein.</translation>
  </message>
  <message>
   <location filename="../../app/live/session.py" />
   <source>The engine was ended; a fresh one is starting.</source>
   <translation>Die Engine wurde beendet; eine frische startet.</translation>
  </message>
  <message>
   <location filename="../../app/live/session.py" />
   <source>Stop first: another song is loaded only while nothing plays.</source>
   <translation>Erst anhalten: ein anderer Song wird nur geladen, während nichts spielt.</translation>
  </message>
  <message>
   <location filename="../../app/live/session.py" />
   <source>No real-time priority: ticks may be a few ms late under load. Select Grebe in Rig to see how to allow it.</source>
   <translation>Keine Echtzeit-Priorität: unter Last können Ticks einige ms zu spät kommen. Grebe im Rig wählen, um zu sehen, wie man sie erlaubt.</translation>
  </message>
  <message>
   <location filename="../../app/live/session.py" />
   <source>The engine has been given {project} by another window.</source>
   <translation>Der Engine wurde {project} von einem anderen Fenster gegeben.</translation>
  </message>
  <message>
   <location filename="../../app/live/sound_check.py" />
   <source>{where} {bars} bars are listened to.</source>
   <translation>{where} {bars} Takte lang wird zugehört.</translation>
  </message>
  <message>
   <location filename="../../app/live/sound_check.py" />
   <source>Nothing of {device} reaches Grebe. Choose where it is heard in the Rig, or record it beside a click and measure the recording.</source>
   <translation>Nichts von {device} erreicht Grebe. Im Rig wählen, wo es gehört wird, oder es neben einem Klick aufnehmen und die Aufnahme messen.</translation>
  </message>
  <message>
   <location filename="../../app/live/sound_check.py" />
   <source>output</source>
   <translation>Ausgang</translation>
  </message>
  <message>
   <location filename="../../app/live/sound_check.py" />
   <source>{device} is a stand-in: it reports each hit of its pattern as it sounds.</source>
   <translation>{device} ist simuliert: es meldet jeden Schlag seines Patterns, wenn er klingt.</translation>
  </message>
  <message>
   <location filename="../../app/live/sound_check.py" />
   <source>checked by ear at {bpm:.4g} BPM, offset {offset:g} ms</source>
   <translation>nach Gehör geprüft bei {bpm:.4g} BPM, Versatz {offset:g} ms</translation>
  </message>
  <message>
   <location filename="../../app/live/sound_check.py" />
   <source>{device} is a stand-in: it reports each beat as it sounds.</source>
   <translation>{device} ist ein Stellvertreter: es meldet jeden Schlag, wie er klingt.</translation>
  </message>
  <message>
   <location filename="../../app/live/sound_check.py" />
   <source>Run {device}'s {out} to Grebe and let it play a click on every beat.</source>
   <translation>Führ {out} von {device} zu Grebe und lass es auf jedem Schlag einen Klick spielen.</translation>
  </message>
  <message>
   <location filename="../../app/live/sound_check.py" />
   <source>Run {device}'s {out} to Grebe and let its clock run.</source>
   <translation>Führ {out} von {device} zu Grebe und lass seine Clock laufen.</translation>
  </message>
  <message>
   <location filename="../../app/live/sound_check.py" />
   <source>Run {device}'s pulses to the input they are heard at.</source>
   <translation>Führ die Pulse von {device} zu dem Eingang, an dem sie gehört werden.</translation>
  </message>
  <message>
   <location filename="../../app/live/sound_check.py" />
   <source>{device} is heard by its sound: let it play.</source>
   <translation>{device} wird am Klang gehört: spielen lassen.</translation>
  </message>
  <message>
   <location filename="../../app/live/stage_actions.py" />
   <source>A pass less of {names}, this time.</source>
   <translation>Ein Durchgang weniger von {names}, dieses Mal.</translation>
  </message>
  <message>
   <location filename="../../app/live/stage_actions.py" />
   <source>Keys are locked; {lock} lets go.</source>
   <translation>Die Tasten sind gesperrt; {lock} gibt sie frei.</translation>
  </message>
  <message>
   <location filename="../../app/live/stage_actions.py" />
   <source>Keys work again.</source>
   <translation>Die Tasten gehen wieder.</translation>
  </message>
  <message>
   <location filename="../../app/live/stage_actions.py" />
   <source>on: touches have to be held</source>
   <translation>an: Berührungen müssen gehalten werden</translation>
  </message>
  <message>
   <location filename="../../app/live/stage_actions.py" />
   <source>Touch guard {state}.</source>
   <translation>Berührungsschutz {state}.</translation>
  </message>
  <message>
   <location filename="../../app/live/stage_actions.py" />
   <source>Done: {done_words}.</source>
   <translation>Getan: {done_words}.</translation>
  </message>
  <message>
   <location filename="../../app/live/stage_actions.py" />
   <source>Nothing has to be dropped.</source>
   <translation>Nichts muss weggelassen werden.</translation>
  </message>
  <message>
   <location filename="../../app/live/stage_lines.py" />
   <source>Keep what sounds</source>
   <translation>Behalten, was klingt</translation>
  </message>
  <message>
   <location filename="../../app/live/stage_lines.py" />
   <source>What sounds is kept as {scene}.</source>
   <translation>Was klingt, ist als {scene} behalten.</translation>
  </message>
  <message>
   <location filename="../../app/live/stage_lines.py" />
   <source>What sounds is kept in {scene}.</source>
   <translation>Was klingt, ist in {scene} behalten.</translation>
  </message>
  <message>
   <location filename="../../app/live/stage_lines.py" />
   <source>All boxes and tracks have a block already.</source>
   <translation>Alle Geräte und Spuren haben schon ein Feld.</translation>
  </message>
  <message>
   <location filename="../../app/live/stage_lines.py" />
   <source>The digits are for {first} to {last}.</source>
   <translation>Die Ziffern gelten für {first} bis {last}.</translation>
  </message>
  <message>
   <location filename="../../app/live/stage_lines.py" />
   <source>no box or track plays another pattern by hand</source>
   <translation>kein Gerät und keine Spur spielt von Hand ein anderes Pattern</translation>
  </message>
  <message>
   <location filename="../../app/live/stage_lines.py" />
   <source>nothing plays that could be kept</source>
   <translation>es spielt nichts, was behalten werden könnte</translation>
  </message>
  <message>
   <location filename="../../app/live/stage_numbers.py" />
   <source>keeps the tempo there is</source>
   <translation>behält das Tempo, das läuft</translation>
  </message>
  <message>
   <location filename="../../app/live/stage_numbers.py" />
   <source>takes its own tempo</source>
   <translation>nimmt sein eigenes Tempo</translation>
  </message>
  <message>
   <location filename="../../app/live/stage_numbers.py" />
   <source>What is brought in by number {words}.</source>
   <translation>Was mit einer Nummer hereingeholt wird, {words}.</translation>
  </message>
  <message>
   <location filename="../../app/live/stage_numbers.py" />
   <source>There is no set: songs have no numbers.</source>
   <translation>Es gibt kein Set: Songs haben keine Nummern.</translation>
  </message>
  <message>
   <location filename="../../app/live/stage_numbers.py" />
   <source>No other project was open lately.</source>
   <translation>Zuletzt war kein anderes Projekt offen.</translation>
  </message>
  <message>
   <location filename="../../app/live/stage_numbers.py" />
   <source>There is no {of} {typed}.</source>
   <translation>Es gibt kein {of} {typed}.</translation>
  </message>
  <message>
   <location filename="../../app/live/sync_check.py" />
   <source>it has {count} beats; at least {fewest_reference} are needed.</source>
   <translation>sie hat {count} Schläge; mindestens {fewest_reference} braucht es.</translation>
  </message>
  <message>
   <location filename="../../app/live/sync_check.py" />
   <source>it keeps no even beat.</source>
   <translation>sie hält keinen gleichmäßigen Schlag.</translation>
  </message>
  <message>
   <location filename="../../app/live/sync_check.py" />
   <source> It clips ({value:.2g} % of it): record it lower.</source>
   <translation> Sie übersteuert ({value:.2g} % davon): leiser aufnehmen.</translation>
  </message>
  <message>
   <location filename="../../app/live/sync_check.py" />
   <source>channel {value}</source>
   <translation>Kanal {value}</translation>
  </message>
  <message>
   <location filename="../../app/live/sync_check.py" />
   <source> {name} does keep one: are the two swapped?</source>
   <translation> {name} hält einen: sind die beiden vertauscht?</translation>
  </message>
  <message>
   <location filename="../../app/live/teaching.py" />
   <source>{pattern} has no hits to teach</source>
   <translation>{pattern} hat keine Schläge zum Beibringen</translation>
  </message>
  <message>
   <location filename="../../app/live/teaching.py" />
   <source>Grebe does not reach {device}: run a cable to it in the Rig</source>
   <translation>Grebe erreicht {device} nicht: im Rig ein Kabel dorthin ziehen</translation>
  </message>
  <message>
   <location filename="../../app/live/teaching.py" />
   <source>Teaching {pattern}</source>
   <translation>{pattern} einlernen</translation>
  </message>
  <message>
   <location filename="../../app/live/tempo.py" />
   <source>Tempo</source>
   <translation>Tempo</translation>
  </message>
  <message>
   <location filename="../../app/live/tempo.py" />
   <source>The session is asked to run at {bpm:g} BPM.</source>
   <translation>Die Sitzung wird gebeten, mit {bpm:g} BPM zu laufen.</translation>
  </message>
  <message>
   <location filename="../../app/live/tempo.py" />
   <source>{name} leads: its tempo holds.</source>
   <translation>{name} führt: sein Tempo gilt.</translation>
  </message>
  <message>
   <location filename="../../app/live/tempo.py" />
   <source>To {bpm:g} BPM over {bars}; the song keeps its own tempo.</source>
   <translation>Auf {bpm:g} BPM über {bars}; der Song behält sein eigenes Tempo.</translation>
  </message>
  <message>
   <location filename="../../app/live/watching.py" />
   <source>the document shown</source>
   <translation>das gezeigte Dokument</translation>
  </message>
  <message>
   <location filename="../../app/live/watching.py" />
   <source>Shown</source>
   <translation>Gezeigt</translation>
  </message>
  <message>
   <location filename="../../app/live/window_actions.py" />
   <source>As it was saved</source>
   <translation>Wie gespeichert</translation>
  </message>
  <message>
   <location filename="../../app/live/window_actions.py" />
   <source>As it was saved last.</source>
   <translation>Wie zuletzt gespeichert.</translation>
  </message>
  <message>
   <location filename="../../app/live/window_actions.py" />
   <source>Nothing has changed since it was saved.</source>
   <translation>Seit dem Speichern hat sich nichts geändert.</translation>
  </message>
  <message>
   <location filename="../../app/live/window_actions.py" />
   <source>There was nothing to take back or bring again.</source>
   <translation>Es gab nichts zurückzunehmen oder zu wiederholen.</translation>
  </message>
  <message>
   <location filename="../../app/log/book.py" />
   <source>{error}. It lies now as {name}, and a new one is begun.</source>
   <translation>{error}. Es liegt jetzt als {name}, und ein neues ist begonnen.</translation>
  </message>
  <message>
   <location filename="../../app/log/book.py" />
   <source>{error}. What happens is kept, and goes in as soon as it can.</source>
   <translation>{error}. Was geschieht, wird aufgehoben und kommt hinein, sobald es geht.</translation>
  </message>
  <message>
   <location filename="../../app/log/tables.py" />
   <source>{running}, {day}</source>
   <translation>{running}, {day}</translation>
  </message>
  <message>
   <location filename="../../app/log/tables.py" />
   <source>{box} over time</source>
   <translation>{box} über die Zeit</translation>
  </message>
  <message>
   <location filename="../../app/log/tables.py" />
   <source>{song}: {before} into {after}</source>
   <translation>{song}: {before} nach {after}</translation>
  </message>
  <message>
   <location filename="../../app/log/tables.py" />
   <source>into {scene}</source>
   <translation>nach {scene}</translation>
  </message>
  <message>
   <location filename="../../app/log/tables.py" />
   <source>{what}, into {scene}</source>
   <translation>{what}, nach {scene}</translation>
  </message>
  <message>
   <location filename="../../app/log/tables.py" />
   <source>Time</source>
   <translation>Zeit</translation>
  </message>
  <message>
   <location filename="../../app/log/tables.py" />
   <source>Song</source>
   <translation>Song</translation>
  </message>
  <message>
   <location filename="../../app/log/tables.py" />
   <source>What</source>
   <translation>Was</translation>
  </message>
  <message>
   <location filename="../../app/log/tables.py" />
   <source>Verdict</source>
   <translation>Urteil</translation>
  </message>
  <message>
   <location filename="../../app/log/tables.py" />
   <source>Off</source>
   <translation>Daneben</translation>
  </message>
  <message>
   <location filename="../../app/log/tables.py" />
   <source>scene</source>
   <translation>Szene</translation>
  </message>
  <message>
   <location filename="../../app/log/tables.py" />
   <source>When</source>
   <translation>Wann</translation>
  </message>
  <message>
   <location filename="../../app/log/tables.py" />
   <source>By</source>
   <translation>Durch</translation>
  </message>
  <message>
   <location filename="../../app/log/tables.py" />
   <source>Set, ms</source>
   <translation>Gesetzt, ms</translation>
  </message>
  <message>
   <location filename="../../app/log/tables.py" />
   <source>Late, ms</source>
   <translation>Spät, ms</translation>
  </message>
  <message>
   <location filename="../../app/log/tables.py" />
   <source>By itself, ms</source>
   <translation>Von sich aus, ms</translation>
  </message>
  <message>
   <location filename="../../app/log/tables.py" />
   <source>Jitter, ms</source>
   <translation>Jitter, ms</translation>
  </message>
  <message>
   <location filename="../../app/log/tables.py" />
   <source>Drift, ms/min</source>
   <translation>Drift, ms/min</translation>
  </message>
  <message>
   <location filename="../../app/log/tables.py" />
   <source>Firmware</source>
   <translation>Firmware</translation>
  </message>
  <message>
   <location filename="../../app/log/tables.py" />
   <source>Evening</source>
   <translation>Abend</translation>
  </message>
  <message>
   <location filename="../../app/log/tables.py" />
   <source>Tries</source>
   <translation>Versuche</translation>
  </message>
  <message>
   <location filename="../../app/log/tables.py" />
   <source>Good</source>
   <translation>Gut</translation>
  </message>
  <message>
   <location filename="../../app/log/tables.py" />
   <source>Share</source>
   <translation>Anteil</translation>
  </message>
  <message>
   <location filename="../../app/log/tables.py" />
   <source>95 %</source>
   <translation>95 %</translation>
  </message>
  <message>
   <location filename="../../app/log/tables.py" />
   <source>{low:.0f} to {high:.0f} %</source>
   <translation>{low:.0f} bis {high:.0f} %</translation>
  </message>
  <message>
   <location filename="../../app/log/views.py" />
   <source>{wrong} not in time</source>
   <translation>{wrong} nicht rechtzeitig</translation>
  </message>
  <message>
   <location filename="../../app/log/views.py" />
   <source>fault</source>
   <translation>Störung</translation>
  </message>
  <message>
   <location filename="../../app/log/views.py" />
   <source>faults</source>
   <translation>Störungen</translation>
  </message>
  <message>
   <location filename="../../app/log/views.py" />
   <source>firmware: {firmware}</source>
   <translation>Firmware: {firmware}</translation>
  </message>
  <message>
   <location filename="../../app/log/views.py" />
   <source>{good} of {tries} good</source>
   <translation>{good} von {tries} gut</translation>
  </message>
  <message>
   <location filename="../../app/log/views.py" />
   <source>there is no run in hand</source>
   <translation>es ist kein Durchlauf in der Hand</translation>
  </message>
  <message>
   <location filename="../../app/log/views.py" />
   <source>it goes in degrees, as 24.5</source>
   <translation>es geht in Grad, wie 24.5</translation>
  </message>
  <message>
   <location filename="../../app/probing.py" />
   <source>Volume down, to talking level.</source>
   <translation>Lautstärke herunter, auf Gesprächspegel.</translation>
  </message>
  <message>
   <location filename="../../app/probing.py" />
   <source>Record is not armed: Start would record.</source>
   <translation>Aufnahme ist nicht scharf: Start würde aufnehmen.</translation>
  </message>
  <message>
   <location filename="../../app/probing.py" />
   <source>Its pattern and its edits are saved.</source>
   <translation>Sein Pattern und was daran geändert wurde ist gesichert.</translation>
  </message>
  <message>
   <location filename="../../app/probing.py" />
   <source>Nothing else hangs on its thru, and nothing leads from it back to its input.</source>
   <translation>An seinem Thru hängt nichts anderes, und nichts führt von ihm zurück zu seinem Eingang.</translation>
  </message>
  <message>
   <location filename="../../app/probing.py" />
   <source>Before anything is sent: {list} Is that so?</source>
   <translation>Bevor etwas gesendet wird: {list} Ist das so?</translation>
  </message>
  <message>
   <location filename="../../app/probing.py" />
   <source>Notes come next, at velocity 80 and then softer and louder ones. May they sound?</source>
   <translation>Nun kommen Noten, mit Anschlag 80 und dann leisere und lautere. Dürfen sie klingen?</translation>
  </message>
  <message>
   <location filename="../../app/probing.py" />
   <source>Its own pattern comes next: Start and Stop, at 75 to 171 BPM. May it play?</source>
   <translation>Nun kommt sein eigenes Pattern: Start und Stop, bei 75 bis 171 BPM. Darf es spielen?</translation>
  </message>
  <message>
   <location filename="../../app/probing.py" />
   <source>Tempi of 30 and 300 BPM and other patterns come next. A program change throws unsaved edits away on many boxes. May they?</source>
   <translation>Nun kommen Tempi von 30 und 300 BPM und andere Patterns. Ein Programmwechsel verwirft bei vielen Geräten, was nicht gesichert ist. Dürfen sie?</translation>
  </message>
  <message>
   <location filename="../../app/probing.py" />
   <source>Not yet</source>
   <translation>Noch nicht</translation>
  </message>
  <message>
   <location filename="../../app/probing.py" />
   <source>No, leave it out</source>
   <translation>Nein, auslassen</translation>
  </message>
  <message>
   <location filename="../../app/probing.py" />
   <source>the probe's process ended</source>
   <translation>der Prozess des Ausforschens endete</translation>
  </message>
  <message>
   <location filename="../../app/probing.py" />
   <source>Yes</source>
   <translation>Ja</translation>
  </message>
  <message>
   <location filename="../../app/report.py" />
   <source>Grebe, Python, libraries, system</source>
   <translation>Grebe, Python, Bibliotheken, System</translation>
  </message>
  <message>
   <location filename="../../app/report.py" />
   <source>MIDI, audio and network ports found</source>
   <translation>gefundene MIDI-, Audio- und Netzports</translation>
  </message>
  <message>
   <location filename="../../app/report.py" />
   <source>priority: what is allowed, what Grebe's processes have</source>
   <translation>Priorität: was erlaubt ist, was Grebes Prozesse haben</translation>
  </message>
  <message>
   <location filename="../../app/returning.py" />
   <source>by signal {value}</source>
   <translation>durch Signal {value}</translation>
  </message>
  <message>
   <location filename="../../app/returning.py" />
   <source>by an error</source>
   <translation>durch einen Fehler</translation>
  </message>
  <message>
   <location filename="../../app/settings.py" />
   <source>a whole number of per cent, not {text_!r}</source>
   <translation>eine ganze Prozentzahl, nicht {text_!r}</translation>
  </message>
  <message>
   <location filename="../../app/settings.py" />
   <source>there is no folder {value}</source>
   <translation>es gibt keinen Ordner {value}</translation>
  </message>
  <message>
   <location filename="../../app/tables/patterns.py" />
   <source>{does}; sounds at {at:.1f} ms</source>
   <translation>{does}; klingt bei {at:.1f} ms</translation>
  </message>
  <message>
   <location filename="../../app/tables/patterns.py" />
   <source>past its end</source>
   <translation>hinter ihrem Ende</translation>
  </message>
  <message>
   <location filename="../../app/tables/patterns.py" />
   <source>value {value}{glides}</source>
   <translation>Wert {value}{glides}</translation>
  </message>
  <message>
   <location filename="../../app/tables/patterns.py" />
   <source>empty##a step</source>
   <translation>leer</translation>
  </message>
  <message>
   <location filename="../../app/tables/patterns.py" />
   <source>Patterns</source>
   <translation>Patterns</translation>
  </message>
  <message>
   <location filename="../../app/tables/patterns.py" />
   <source>free</source>
   <translation>frei</translation>
  </message>
  <message>
   <location filename="../../app/tables/patterns.py" />
   <source>no value</source>
   <translation>kein Wert</translation>
  </message>
  <message>
   <location filename="../../app/tables/patterns.py" />
   <source>, glides to the next</source>
   <translation>, gleitet zum nächsten</translation>
  </message>
  <message>
   <location filename="../../app/tables/songs.py" />
   <source>by Grebe: {how}, at the latest {latest:.0f} ms before the boundary</source>
   <translation>durch Grebe: {how}, spätestens {latest:.0f} ms vor der Grenze</translation>
  </message>
  <message>
   <location filename="../../app/tables/songs.py" />
   <source>by hand: {how}, from {opens:.1f} s to {latest:.1f} s before the boundary</source>
   <translation>von Hand: {how}, von {opens:.1f} s bis {latest:.1f} s vor der Grenze</translation>
  </message>
  <message>
   <location filename="../../app/tables/songs.py" />
   <source>{words}; to relieve: {relief}</source>
   <translation>{words}; zur Entlastung: {relief}</translation>
  </message>
  <message>
   <location filename="../../app/tables/songs.py" />
   <source>bar {bar}, {begins} to {ends}</source>
   <translation>Takt {bar}, {begins} bis {ends}</translation>
  </message>
  <message>
   <location filename="../../app/tables/songs.py" />
   <source>pass</source>
   <translation>Durchgang</translation>
  </message>
  <message>
   <location filename="../../app/tables/songs.py" />
   <source>passes</source>
   <translation>gibt weiter</translation>
  </message>
  <message>
   <location filename="../../app/tables/songs.py" />
   <source>Section</source>
   <translation>Abschnitt</translation>
  </message>
  <message>
   <location filename="../../app/tables/songs.py" />
   <source>curve of controller {number}</source>
   <translation>Kurve von Controller {number}</translation>
  </message>
  <message>
   <location filename="../../app/tables/songs.py" />
   <source>mute region</source>
   <translation>Stummschaltung</translation>
  </message>
  <message>
   <location filename="../../app/tables/songs.py" />
   <source>mute regions</source>
   <translation>Stummschaltungen</translation>
  </message>
  <message>
   <location filename="../../app/tables/songs.py" />
   <source>curve</source>
   <translation>Kurve</translation>
  </message>
  <message>
   <location filename="../../app/tables/songs.py" />
   <source>curves</source>
   <translation>Kurven</translation>
  </message>
  <message>
   <location filename="../../app/tables/songs.py" />
   <source>fills</source>
   <translation>Fills</translation>
  </message>
  <message>
   <location filename="../../app/tables/songs.py" />
   <source>marker</source>
   <translation>Marke</translation>
  </message>
  <message>
   <location filename="../../app/tables/songs.py" />
   <source>Begins</source>
   <translation>Beginnt</translation>
  </message>
  <message>
   <location filename="../../app/tables/songs.py" />
   <source>Key##of music</source>
   <translation>Tonart</translation>
  </message>
  <message>
   <location filename="../../app/tables/songs.py" />
   <source>Comes in</source>
   <translation>Kommt herein</translation>
  </message>
  <message>
   <location filename="../../app/tables/songs.py" />
   <source>cannot be played</source>
   <translation>nicht spielbar</translation>
  </message>
  <message>
   <location filename="../../app/tables/songs.py" />
   <source>muted</source>
   <translation>stumm</translation>
  </message>
  <message>
   <location filename="../../app/tables/songs.py" />
   <source>tracks {tracks}</source>
   <translation>Spuren {tracks}</translation>
  </message>
  <message>
   <location filename="../../app/tables/songs.py" />
   <source>echo {echo}</source>
   <translation>Echo {echo}</translation>
  </message>
  <message>
   <location filename="../../app/tables/songs.py" />
   <source>{whose} out for {beats}</source>
   <translation>{whose} {beats} lang weg</translation>
  </message>
  <message>
   <location filename="../../app/tables/songs.py" />
   <source>key not known</source>
   <translation>Tonart nicht bekannt</translation>
  </message>
  <message>
   <location filename="../../app/tables/songs.py" />
   <source>first</source>
   <translation>erstes Mal</translation>
  </message>
  <message>
   <location filename="../../app/tables/songs.py" />
   <source>{name} from beat {beat}</source>
   <translation>{name} ab Schlag {beat}</translation>
  </message>
  <message>
   <location filename="../../app/tables/songs.py" />
   <source>as the scene has it from beat {beat}</source>
   <translation>wie in der Szene ab Schlag {beat}</translation>
  </message>
  <message>
   <location filename="../../app/tables/songs.py" />
   <source>beat</source>
   <translation>Schlag</translation>
  </message>
  <message>
   <location filename="../../app/tables/songs.py" />
   <source>beats</source>
   <translation>Schläge</translation>
  </message>
  <message>
   <location filename="../../app/tables/stage.py" />
   <source>{scene} in {bars}</source>
   <translation>{scene} in {bars}</translation>
  </message>
  <message>
   <location filename="../../app/tables/stage.py" />
   <source>{song}: {scene}, bar {bar}. Next {after}. My move: {move}.</source>
   <translation>{song}: {scene}, Takt {bar}. Danach {after}. Mein Griff: {move}.</translation>
  </message>
  <message>
   <location filename="../../app/tables/stage.py" />
   <source>Bar</source>
   <translation>Takt</translation>
  </message>
  <message>
   <location filename="../../app/tables/stage.py" />
   <source>Next</source>
   <translation>Danach</translation>
  </message>
  <message>
   <location filename="../../app/tables/stage.py" />
   <source>My move</source>
   <translation>Mein Griff</translation>
  </message>
  <message>
   <location filename="../../app/tables/stage.py" />
   <source>Now</source>
   <translation>Jetzt</translation>
  </message>
  <message>
   <location filename="../../app/tables/stage.py" />
   <source>no song</source>
   <translation>kein Song</translation>
  </message>
  <message>
   <location filename="../../app/tables/stage.py" />
   <source>{bar} of {bars}</source>
   <translation>{bar} von {bars}</translation>
  </message>
  <message>
   <location filename="../../app/tables/stage.py" />
   <source>The end</source>
   <translation>Das Ende</translation>
  </message>
  <message>
   <location filename="../../app/tables/stage.py" />
   <source>now: {words}</source>
   <translation>jetzt: {words}</translation>
  </message>
  <message>
   <location filename="../../app/tables/stage.py" />
   <source>nobody</source>
   <translation>niemand</translation>
  </message>
  <message>
   <location filename="../../app/tables/stage.py" />
   <source>not playing</source>
   <translation>spielt nicht</translation>
  </message>
  <message>
   <location filename="../../app/walk.py" />
   <source>Two boxes</source>
   <translation>Zwei Geräte</translation>
  </message>
  <message>
   <location filename="../../app/walk.py" />
   <source>{new_project}: give a drum box and a bass a number each, then Begin. What is simulated sounds without anything plugged in.</source>
   <translation>{new_project}: gib einem Drumcomputer und einem Bass je eine Anzahl, dann Beginnen. Simuliertes klingt, ohne dass etwas eingesteckt ist.</translation>
  </message>
  <message>
   <location filename="../../app/walk.py" />
   <source>Cables</source>
   <translation>Kabel</translation>
  </message>
  <message>
   <location filename="../../app/walk.py" />
   <source>Every box has one already: see the drawing in Rig. {add_cable} runs another from the box in hand.</source>
   <translation>Jedes Gerät hat schon eins: siehe die Zeichnung im Rig. {add_cable} zieht ein weiteres vom Gerät in der Hand.</translation>
  </message>
  <message>
   <location filename="../../app/walk.py" />
   <source>A beat</source>
   <translation>Ein Beat</translation>
  </message>
  <message>
   <location filename="../../app/walk.py" />
   <source>In Patterns, click three steps of the first row or more, or press {toggle} and go on with the arrows.</source>
   <translation>In Patterns drei oder mehr Schritte der ersten Zeile anklicken, oder {toggle} drücken und mit den Pfeilen weitergehen.</translation>
  </message>
  <message>
   <location filename="../../app/walk.py" />
   <source>Hear it</source>
   <translation>Hör es</translation>
  </message>
  <message>
   <location filename="../../app/walk.py" />
   <source>{run_stop} runs it. The strokes on the waterline are its beats: up is early, down is late. Stop with the same key.</source>
   <translation>{run_stop} startet. Die Striche auf der Wasserlinie sind die Schläge: oben ist früh, unten ist spät. Anhalten mit derselben Taste.</translation>
  </message>
  <message>
   <location filename="../../app/walk.py" />
   <source>A second box</source>
   <translation>Ein zweites Gerät</translation>
  </message>
  <message>
   <location filename="../../app/walk.py" />
   <source>{one_after} takes the other box's pattern in hand: give it three notes.</source>
   <translation>{one_after} nimmt das Pattern des anderen Geräts in die Hand: gib ihm drei Noten.</translation>
  </message>
  <message>
   <location filename="../../app/walk.py" />
   <source>Three scenes</source>
   <translation>Drei Szenen</translation>
  </message>
  <message>
   <location filename="../../app/walk.py" />
   <source>In Scenes, {duplicate} makes another like the one in hand: have three. PgDown on a part chooses its pattern, or silence.</source>
   <translation>In Szenen macht {duplicate} noch eine wie die in der Hand: mach drei. Bild ab auf einem Teil wählt sein Pattern, oder Stille.</translation>
  </message>
  <message>
   <location filename="../../app/walk.py" />
   <source>A song</source>
   <translation>Ein Song</translation>
  </message>
  <message>
   <location filename="../../app/walk.py" />
   <source>In Song, {insert_section} puts in a section of the next scene, {more} gives it another pass: have three sections.</source>
   <translation>Im Song setzt {insert_section} einen Abschnitt der nächsten Szene ein, {more} gibt ihm einen Durchgang mehr: mach drei Abschnitte.</translation>
  </message>
  <message>
   <location filename="../../app/walk.py" />
   <source>Drums out before the hook</source>
   <translation>Drums raus vor der Hook</translation>
  </message>
  <message>
   <location filename="../../app/walk.py" />
   <source>Stand on the section before the last one and press {drums_out}: its last two bars are without drums, nothing is destroyed.</source>
   <translation>Stell dich auf den vorletzten Abschnitt und drück {drums_out}: seine letzten zwei Takte sind ohne Drums, nichts wird zerstört.</translation>
  </message>
  <message>
   <location filename="../../app/walk.py" />
   <source>{copy_song} in the menu Song makes another like it: change its tempo in the sheet.</source>
   <translation>{copy_song} im Menü Song macht noch einen wie ihn: ändere sein Tempo im Blatt.</translation>
  </message>
  <message>
   <location filename="../../app/walk.py" />
   <source>A set</source>
   <translation>Ein Set</translation>
  </message>
  <message>
   <location filename="../../app/walk.py" />
   <source>In Set, {add_song} puts a song in: have two.</source>
   <translation>Im Set setzt {add_song} einen Song hinein: mach zwei.</translation>
  </message>
  <message>
   <location filename="../../app/walk.py" />
   <source>On Stage</source>
   <translation>Auf der Bühne</translation>
  </message>
  <message>
   <location filename="../../app/walk.py" />
   <source>Go to Stage and run it. What is next stands large; Enter brings the next section in.</source>
   <translation>Geh auf die Bühne und starte. Was als Nächstes kommt, steht groß; Enter setzt den nächsten Abschnitt ein.</translation>
  </message>
  <message>
   <location filename="../../app/walk.py" />
   <source>Keep it</source>
   <translation>Behalt es</translation>
  </message>
  <message>
   <location filename="../../app/walk.py" />
   <source>{save} asks for a name. The next start brings you back here.</source>
   <translation>{save} fragt nach einem Namen. Der nächste Start bringt dich hierher zurück.</translation>
  </message>
  <message>
   <location filename="../../cli/bring.py" />
   <source>a song is made of one file: give one, or --as patterns</source>
   <translation>ein Song entsteht aus einer Datei: eine angeben, oder --as patterns</translation>
  </message>
  <message>
   <location filename="../../cli/bring.py" />
   <source>part of {song}</source>
   <translation>Teil von {song}</translation>
  </message>
  <message>
   <location filename="../../cli/bring.py" />
   <source>nothing of it is to be taken</source>
   <translation>nichts davon soll übernommen werden</translation>
  </message>
  <message>
   <location filename="../../cli/bring.py" />
   <source>left out, as it was asked</source>
   <translation>ausgelassen, wie gewünscht</translation>
  </message>
  <message>
   <location filename="../../cli/probe.py" />
   <source>{text} [y/N] </source>
   <translation>{text} [y/N] </translation>
  </message>
  <message>
   <location filename="../../cli/probe.py" />
   <source>Unsure: {names}.</source>
   <translation>Unsicher: {names}.</translation>
  </message>
  <message>
   <location filename="../../core/arriving.py" />
   <source>{track} holds no notes there</source>
   <translation>{track} hat dort keine Noten</translation>
  </message>
  <message>
   <location filename="../../core/arriving.py" />
   <source>there is no box {box!r}</source>
   <translation>es gibt kein Gerät {box!r}</translation>
  </message>
  <message>
   <location filename="../../core/arriving.py" />
   <source>{bpm:g} BPM</source>
   <translation>{bpm:g} BPM</translation>
  </message>
  <message>
   <location filename="../../core/arriving.py" />
   <source>Note {n}</source>
   <translation>Note {n}</translation>
  </message>
  <message>
   <location filename="../../core/arriving_songs.py" />
   <source>{arrival}: no track with notes has a box</source>
   <translation>{arrival}: keine Spur mit Noten hat ein Gerät</translation>
  </message>
  <message>
   <location filename="../../core/arriving_songs.py" />
   <source>{arrival} is too long for a song</source>
   <translation>{arrival} ist zu lang für ein Stück</translation>
  </message>
  <message>
   <location filename="../../core/arriving_songs.py" />
   <source>{arrival} would be {count} sections; {most_sections} are the most</source>
   <translation>{arrival} wären {count} Abschnitte; {most_sections} sind das meiste</translation>
  </message>
  <message>
   <location filename="../../core/audio/kit.py" />
   <source>slot {slot}</source>
   <translation>Platz {slot}</translation>
  </message>
  <message>
   <location filename="../../core/audio/mix.py" />
   <source>note {note}</source>
   <translation>Note {note}</translation>
  </message>
  <message>
   <location filename="../../core/beginning.py" />
   <source>Closed hat</source>
   <translation>Closed Hat</translation>
  </message>
  <message>
   <location filename="../../core/beginning.py" />
   <source>Open hat</source>
   <translation>Open Hat</translation>
  </message>
  <message>
   <location filename="../../core/beginning.py" />
   <source>Bass line</source>
   <translation>Basslinie</translation>
  </message>
  <message>
   <location filename="../../core/beginning.py" />
   <source>there is no scene to make a song of</source>
   <translation>es gibt keine Szene, aus der ein Song würde</translation>
  </message>
  <message>
   <location filename="../../core/beginning.py" />
   <source>a tempo is from {min_bpm:g} to {max_bpm:g} BPM (got {bpm:g})</source>
   <translation>ein Tempo ist von {min_bpm:g} bis {max_bpm:g} BPM (bekommen: {bpm:g})</translation>
  </message>
  <message>
   <location filename="../../core/calculators/boxes.py" />
   <source>Pass the pulses on as they are.</source>
   <translation>Die Pulse weitergeben, wie sie sind.</translation>
  </message>
  <message>
   <location filename="../../core/calculators/boxes.py" />
   <source>Let one pulse in {n} through: no delay.</source>
   <translation>Einen von {n} Pulsen durchlassen: keine Verzögerung.</translation>
  </message>
  <message>
   <location filename="../../core/calculators/boxes.py" />
   <source>Multiply by {n}: starts a pulse late, and follows tempo changes late.</source>
   <translation>Mit {n} vervielfachen: beginnt einen Puls zu spät und folgt Tempowechseln spät.</translation>
  </message>
  <message>
   <location filename="../../core/calculators/boxes.py" />
   <source>Neither divides the other: make a clock of its own from the tempo.</source>
   <translation>Keine teilt die andere: eine eigene Clock aus dem Tempo machen.</translation>
  </message>
  <message>
   <location filename="../../core/calculators/boxes.py" />
   <source>Together again after {plain:g} quarter notes, {seconds:.2f} s; with the bar line after {plain2:g} bars.</source>
   <translation>Wieder zusammen nach {plain:g} Vierteln, {seconds:.2f} s; mit dem Taktstrich nach {plain2:g} Takten.</translation>
  </message>
  <message>
   <location filename="../../core/calculators/boxes.py" />
   <source>{key} ({score:.2f}), then {key2} ({score2:.2f}).</source>
   <translation>{key} ({score:.2f}), dann {key2} ({score2:.2f}).</translation>
  </message>
  <message>
   <location filename="../../core/calculators/boxes.py" />
   <source>The first note is through after {first:.2f} ms, the last after {last:.2f} ms: they land {value:.2f} ms apart.</source>
   <translation>Die erste Note ist nach {first:.2f} ms durch, die letzte nach {last:.2f} ms: sie kommen {value:.2f} ms auseinander an.</translation>
  </message>
  <message>
   <location filename="../../core/calculators/boxes.py" />
   <source>No one transposition does it: see the table.</source>
   <translation>Keine einzelne Transposition tut es: siehe Tabelle.</translation>
  </message>
  <message>
   <location filename="../../core/calculators/boxes.py" />
   <source>It comes round after {period} steps.</source>
   <translation>Es läuft nach {period} Schritten um.</translation>
  </message>
  <message>
   <location filename="../../core/calculators/boxes.py" />
   <source>{how} {from_hz:g} Hz in, {to_hz:g} Hz out.</source>
   <translation>{how} {from_hz:g} Hz hinein, {to_hz:g} Hz heraus.</translation>
  </message>
  <message>
   <location filename="../../core/calculators/boxes.py" />
   <source>Transpose by {offset:+d}.</source>
   <translation>Um {offset:+d} transponieren.</translation>
  </message>
  <message>
   <location filename="../../core/calculators/boxes.py" />
   <source>quarter notes</source>
   <translation>Viertel</translation>
  </message>
  <message>
   <location filename="../../core/calculators/boxes.py" />
   <source>times until then</source>
   <translation>Male bis dahin</translation>
  </message>
  <message>
   <location filename="../../core/calculators/boxes.py" />
   <source>last through after, ms</source>
   <translation>letzte durch nach, ms</translation>
  </message>
  <message>
   <location filename="../../core/calculators/boxes.py" />
   <source>from note</source>
   <translation>von Note</translation>
  </message>
  <message>
   <location filename="../../core/calculators/boxes.py" />
   <source>to note</source>
   <translation>auf Note</translation>
  </message>
  <message>
   <location filename="../../core/calculators/model.py" />
   <source>BPM goes</source>
   <translation>BPM gehen</translation>
  </message>
  <message>
   <location filename="../../core/calculators/model.py" />
   <source>Tempo, BPM</source>
   <translation>Tempo, BPM</translation>
  </message>
  <message>
   <location filename="../../core/calculators/model.py" />
   <source>Metre</source>
   <translation>Taktart</translation>
  </message>
  <message>
   <location filename="../../core/calculators/table.py" />
   <source>Echo times</source>
   <translation>Echozeiten</translation>
  </message>
  <message>
   <location filename="../../core/calculators/table.py" />
   <source>What is a note in milliseconds, and can the unit do it?</source>
   <translation>Was ist eine Note in Millisekunden, und kann das Gerät das?</translation>
  </message>
  <message>
   <location filename="../../core/calculators/table.py" />
   <source>Tempo of a length</source>
   <translation>Tempo einer Länge</translation>
  </message>
  <message>
   <location filename="../../core/calculators/table.py" />
   <source>How fast is a loop of so many seconds?</source>
   <translation>Wie schnell ist ein Loop von so vielen Sekunden?</translation>
  </message>
  <message>
   <location filename="../../core/calculators/table.py" />
   <source>Loop length</source>
   <translation>Loop-Länge</translation>
  </message>
  <message>
   <location filename="../../core/calculators/table.py" />
   <source>How many samples is it, and does it drift?</source>
   <translation>Wie viele Samples sind es, und driftet es?</translation>
  </message>
  <message>
   <location filename="../../core/calculators/table.py" />
   <source>Speed and pitch</source>
   <translation>Geschwindigkeit und Tonhöhe</translation>
  </message>
  <message>
   <location filename="../../core/calculators/table.py" />
   <source>What does another tempo do to the pitch?</source>
   <translation>Was macht ein anderes Tempo mit der Tonhöhe?</translation>
  </message>
  <message>
   <location filename="../../core/calculators/table.py" />
   <source>Tempo ramp</source>
   <translation>Temporampe</translation>
  </message>
  <message>
   <location filename="../../core/calculators/table.py" />
   <source>How long does it take to get there?</source>
   <translation>Wie lange dauert es bis dorthin?</translation>
  </message>
  <message>
   <location filename="../../core/calculators/table.py" />
   <source>Tempo of taps</source>
   <translation>Getipptes Tempo</translation>
  </message>
  <message>
   <location filename="../../core/calculators/table.py" />
   <source>How fast was that, and how sure is it?</source>
   <translation>Wie schnell war das, und wie sicher ist es?</translation>
  </message>
  <message>
   <location filename="../../core/calculators/table.py" />
   <source>Drift</source>
   <translation>Drift</translation>
  </message>
  <message>
   <location filename="../../core/calculators/table.py" />
   <source>How soon do two that run free part?</source>
   <translation>Wie bald laufen zwei freie auseinander?</translation>
  </message>
  <message>
   <location filename="../../core/calculators/table.py" />
   <source>Song position</source>
   <translation>Songposition</translation>
  </message>
  <message>
   <location filename="../../core/calculators/table.py" />
   <source>What is sent for a bar and beat?</source>
   <translation>Was wird für einen Takt und Schlag gesendet?</translation>
  </message>
  <message>
   <location filename="../../core/calculators/table.py" />
   <source>Swing</source>
   <translation>Swing</translation>
  </message>
  <message>
   <location filename="../../core/calculators/table.py" />
   <source>How late do second steps fall?</source>
   <translation>Wie spät fallen die zweiten Schritte?</translation>
  </message>
  <message>
   <location filename="../../core/calculators/table.py" />
   <source>Lanes together</source>
   <translation>Zusammenlauf</translation>
  </message>
  <message>
   <location filename="../../core/calculators/table.py" />
   <source>When do lanes of other lengths begin together again?</source>
   <translation>Wann beginnen Spuren anderer Länge wieder zusammen?</translation>
  </message>
  <message>
   <location filename="../../core/calculators/table.py" />
   <source>Even hits</source>
   <translation>Gleichmäßige Schläge</translation>
  </message>
  <message>
   <location filename="../../core/calculators/table.py" />
   <source>How do so many hits lie most evenly?</source>
   <translation>Wie liegen so viele Schläge am gleichmäßigsten?</translation>
  </message>
  <message>
   <location filename="../../core/calculators/table.py" />
   <source>Shift register</source>
   <translation>Schieberegister</translation>
  </message>
  <message>
   <location filename="../../core/calculators/table.py" />
   <source>After how many steps does it come round?</source>
   <translation>Nach wie vielen Schritten läuft es um?</translation>
  </message>
  <message>
   <location filename="../../core/calculators/table.py" />
   <source>Which key are these notes in?</source>
   <translation>In welcher Tonart sind diese Noten?</translation>
  </message>
  <message>
   <location filename="../../core/calculators/table.py" />
   <source>Pulse rates</source>
   <translation>Pulsraten</translation>
  </message>
  <message>
   <location filename="../../core/calculators/table.py" />
   <source>What turns one pulse rate into another?</source>
   <translation>Was macht aus einer Pulsrate eine andere?</translation>
  </message>
  <message>
   <location filename="../../core/calculators/table.py" />
   <source>MIDI wire</source>
   <translation>MIDI-Leitung</translation>
  </message>
  <message>
   <location filename="../../core/calculators/table.py" />
   <source>How far apart do notes land that fall together?</source>
   <translation>Wie weit kommen Noten auseinander an, die zusammenfallen?</translation>
  </message>
  <message>
   <location filename="../../core/calculators/table.py" />
   <source>Pads</source>
   <translation>Pads</translation>
  </message>
  <message>
   <location filename="../../core/calculators/table.py" />
   <source>Which note of one box is which of another, by where its pad lies?</source>
   <translation>Welche Note des einen Geräts ist welche des anderen, nach der Lage des Pads?</translation>
  </message>
  <message>
   <location filename="../../core/calculators/table.py" />
   <source>Exposure of a set</source>
   <translation>Belastung eines Sets</translation>
  </message>
  <message>
   <location filename="../../core/calculators/table.py" />
   <source>What do the levels of an evening come to?</source>
   <translation>Worauf kommen die Pegel eines Abends?</translation>
  </message>
  <message>
   <location filename="../../core/calculators/table.py" />
   <source>Hearing</source>
   <translation>Gehör</translation>
  </message>
  <message>
   <location filename="../../core/calculators/table.py" />
   <source>How long can a level be borne?</source>
   <translation>Wie lange ist ein Pegel zu ertragen?</translation>
  </message>
  <message>
   <location filename="../../core/calculators/table.py" />
   <source>Unit from, ms</source>
   <translation>Gerät von, ms</translation>
  </message>
  <message>
   <location filename="../../core/calculators/table.py" />
   <source>Unit to, ms</source>
   <translation>Gerät bis, ms</translation>
  </message>
  <message>
   <location filename="../../core/calculators/table.py" />
   <source>Seconds</source>
   <translation>Sekunden</translation>
  </message>
  <message>
   <location filename="../../core/calculators/table.py" />
   <source>Samples a second</source>
   <translation>Samples je Sekunde</translation>
  </message>
  <message>
   <location filename="../../core/calculators/table.py" />
   <source>From, BPM</source>
   <translation>Von, BPM</translation>
  </message>
  <message>
   <location filename="../../core/calculators/table.py" />
   <source>To, BPM</source>
   <translation>Auf, BPM</translation>
  </message>
  <message>
   <location filename="../../core/calculators/table.py" />
   <source>Times, s</source>
   <translation>Zeiten, s</translation>
  </message>
  <message>
   <location filename="../../core/calculators/table.py" />
   <source>Apart, ms</source>
   <translation>Auseinander, ms</translation>
  </message>
  <message>
   <location filename="../../core/calculators/table.py" />
   <source>Beat</source>
   <translation>Schlag</translation>
  </message>
  <message>
   <location filename="../../core/calculators/table.py" />
   <source>Swing, %</source>
   <translation>Swing, %</translation>
  </message>
  <message>
   <location filename="../../core/calculators/table.py" />
   <source>Step</source>
   <translation>Schritt</translation>
  </message>
  <message>
   <location filename="../../core/calculators/table.py" />
   <source>Ticks a quarter</source>
   <translation>Ticks je Viertel</translation>
  </message>
  <message>
   <location filename="../../core/calculators/table.py" />
   <source>Lanes</source>
   <translation>Spuren</translation>
  </message>
  <message>
   <location filename="../../core/calculators/table.py" />
   <source>Hits</source>
   <translation>Schläge</translation>
  </message>
  <message>
   <location filename="../../core/calculators/table.py" />
   <source>Steps</source>
   <translation>Schritte</translation>
  </message>
  <message>
   <location filename="../../core/calculators/table.py" />
   <source>Steps later</source>
   <translation>Schritte später</translation>
  </message>
  <message>
   <location filename="../../core/calculators/table.py" />
   <source>Taps</source>
   <translation>Abgriffe</translation>
  </message>
  <message>
   <location filename="../../core/calculators/table.py" />
   <source>Begins with</source>
   <translation>Beginnt mit</translation>
  </message>
  <message>
   <location filename="../../core/calculators/table.py" />
   <source>From, a quarter</source>
   <translation>Von, je Viertel</translation>
  </message>
  <message>
   <location filename="../../core/calculators/table.py" />
   <source>To, a quarter</source>
   <translation>Auf, je Viertel</translation>
  </message>
  <message>
   <location filename="../../core/calculators/table.py" />
   <source>Running status</source>
   <translation>Running Status</translation>
  </message>
  <message>
   <location filename="../../core/calculators/table.py" />
   <source>Levels, dBA@minutes</source>
   <translation>Pegel, dBA@Minuten</translation>
  </message>
  <message>
   <location filename="../../core/calculators/table.py" />
   <source>Level, dBA</source>
   <translation>Pegel, dBA</translation>
  </message>
  <message>
   <location filename="../../core/calculators/table.py" />
   <source>samples a second go</source>
   <translation>Samples je Sekunde gehen</translation>
  </message>
  <message>
   <location filename="../../core/calculators/table.py" />
   <source>ticks a quarter note are</source>
   <translation>Ticks je Viertel sind</translation>
  </message>
  <message>
   <location filename="../../core/calculators/table.py" />
   <source>steps later go</source>
   <translation>Schritte später gehen</translation>
  </message>
  <message>
   <location filename="../../core/calculators/table.py" />
   <source>a seed goes</source>
   <translation>ein Startwert geht</translation>
  </message>
  <message>
   <location filename="../../core/calculators/table.py" />
   <source>PPQN</source>
   <translation>PPQN</translation>
  </message>
  <message>
   <location filename="../../core/calculators/table.py" />
   <source>PADS</source>
   <translation>PADS</translation>
  </message>
  <message>
   <location filename="../../core/calculators/table.py" />
   <source>dBA goes</source>
   <translation>dBA gehen</translation>
  </message>
  <message>
   <location filename="../../core/calculators/times.py" />
   <source>Levels add up over a day, and a meter at the ear is what counts. Where rules are stricter, they hold; wear protection, and ask a licensed person.</source>
   <translation>Pegel summieren sich über den Tag, und was zählt, ist ein Messgerät am Ohr. Wo Regeln strenger sind, gelten sie; trag Gehörschutz und frag eine Fachkraft.</translation>
  </message>
  <message>
   <location filename="../../core/calculators/times.py" />
   <source> out of range</source>
   <translation> außerhalb</translation>
  </message>
  <message>
   <location filename="../../core/calculators/times.py" />
   <source>A quarter at {bpm:g} BPM is {note_ms:.3f} ms.</source>
   <translation>Ein Viertel bei {bpm:g} BPM ist {note_ms:.3f} ms.</translation>
  </message>
  <message>
   <location filename="../../core/calculators/times.py" />
   <source>{bars:g} bars of {meter} in {seconds:g} s are {found:.3f} BPM.</source>
   <translation>{bars:g} Takte {meter} in {seconds:g} s sind {found:.3f} BPM.</translation>
  </message>
  <message>
   <location filename="../../core/calculators/times.py" />
   <source>{bars:g} bars at {bpm:g} BPM are {seconds:.6f} s, {samples:.3f} samples; cut to {nearest} they drift {drift_ms_per_hour:+.3f} ms an hour.</source>
   <translation>{bars:g} Takte bei {bpm:g} BPM sind {seconds:.6f} s, {samples:.3f} Samples; auf {nearest} geschnitten driften sie {drift_ms_per_hour:+.3f} ms je Stunde.</translation>
  </message>
  <message>
   <location filename="../../core/calculators/times.py" />
   <source>From {start:g} to {to:g} BPM by speed alone: {semitones:+.3f} semitones, {ratio:.4f} times as fast.</source>
   <translation>Von {start:g} auf {to:g} BPM nur durch Geschwindigkeit: {semitones:+.3f} Halbtöne, {ratio:.4f}-mal so schnell.</translation>
  </message>
  <message>
   <location filename="../../core/calculators/times.py" />
   <source>From {start:g} to {to:g} BPM over {bars:g} bars takes {seconds:.3f} s.</source>
   <translation>Von {start:g} auf {to:g} BPM über {bars:g} Takte dauert {seconds:.3f} s.</translation>
  </message>
  <message>
   <location filename="../../core/calculators/times.py" />
   <source>They part by {ms_per_minute:.2f} ms a minute: {limit_ms:g} ms after {seconds_to_limit:.1f} s.</source>
   <translation>Sie laufen {ms_per_minute:.2f} ms je Minute auseinander: {limit_ms:g} ms nach {seconds_to_limit:.1f} s.</translation>
  </message>
  <message>
   <location filename="../../core/calculators/times.py" />
   <source>Bar {bar}, beat {beat} is song position {sixteenths}, {seconds:.3f} s in.</source>
   <translation>Takt {bar}, Schlag {beat} ist Songposition {sixteenths}, bei {seconds:.3f} s.</translation>
  </message>
  <message>
   <location filename="../../core/calculators/times.py" />
   <source>{bpm:.2f} BPM, 95 % between {low:.2f} and {high:.2f}.</source>
   <translation>{bpm:.2f} BPM, 95 % zwischen {low:.2f} und {high:.2f}.</translation>
  </message>
  <message>
   <location filename="../../core/calculators/times.py" />
   <source>Second steps fall {late_ms:.2f} ms late, {late_ticks:.2f} ticks of {ppqn}; first to second as {ratio:.3f} to 1.</source>
   <translation>Zweite Schritte fallen {late_ms:.2f} ms spät, {late_ticks:.2f} Ticks von {ppqn}; erster zu zweitem wie {ratio:.3f} zu 1.</translation>
  </message>
  <message>
   <location filename="../../core/calculators/times.py" />
   <source>{level:g} dBA can be borne for {minutes:.4g} minutes a day (NIOSH 98-126).</source>
   <translation>{level:g} dBA sind {minutes:.4g} Minuten am Tag zu ertragen (NIOSH 98-126).</translation>
  </message>
  <message>
   <location filename="../../core/calculators/times.py" />
   <source> The unit cannot take it: set it to {half:g} BPM.</source>
   <translation> Das Gerät schafft es nicht: auf {half:g} BPM stellen.</translation>
  </message>
  <message>
   <location filename="../../core/calculators/times.py" />
   <source>drift, ms an hour</source>
   <translation>Drift, ms je Stunde</translation>
  </message>
  <message>
   <location filename="../../core/calculators/times.py" />
   <source>That is {dose:.0f} % of what a day may have (NIOSH 98-126), as {same:.1f} dBA over eight hours.</source>
   <translation>Das sind {dose:.0f} % dessen, was ein Tag haben darf (NIOSH 98-126), wie {same:.1f} dBA über acht Stunden.</translation>
  </message>
  <message>
   <location filename="../../core/calculators/times.py" />
   <source>Nothing of that is 80 dBA or more, from where it counts.</source>
   <translation>Nichts davon hat 80 dBA oder mehr, ab denen es zählt.</translation>
  </message>
  <message>
   <location filename="../../core/calculators/times.py" />
   <source>minutes</source>
   <translation>Minuten</translation>
  </message>
  <message>
   <location filename="../../core/calculators/times.py" />
   <source>may be, minutes</source>
   <translation>darf, Minuten</translation>
  </message>
  <message>
   <location filename="../../core/calculators/times.py" />
   <source>of the day</source>
   <translation>vom Tag</translation>
  </message>
  <message>
   <location filename="../../core/calculators/times.py" />
   <source>minutes a day</source>
   <translation>Minuten am Tag</translation>
  </message>
  <message>
   <location filename="../../core/calculators/times.py" />
   <source>straight, ms</source>
   <translation>gerade, ms</translation>
  </message>
  <message>
   <location filename="../../core/calculators/times.py" />
   <source>dotted, ms</source>
   <translation>punktiert, ms</translation>
  </message>
  <message>
   <location filename="../../core/calculators/times.py" />
   <source>triplet, ms</source>
   <translation>Triole, ms</translation>
  </message>
  <message>
   <location filename="../../core/calculators/times.py" />
   <source>if it is so many bars</source>
   <translation>wenn es so viele Takte sind</translation>
  </message>
  <message>
   <location filename="../../core/calculators/times.py" />
   <source>BPM</source>
   <translation>BPM</translation>
  </message>
  <message>
   <location filename="../../core/calculators/times.py" />
   <source>tempo of a whole semitone, BPM</source>
   <translation>Tempo eines ganzen Halbtons, BPM</translation>
  </message>
  <message>
   <location filename="../../core/calculators/times.py" />
   <source>They do not part: the tempi are the same.</source>
   <translation>Sie laufen nicht auseinander: die Tempi sind gleich.</translation>
  </message>
  <message>
   <location filename="../../core/calculators/times.py" />
   <source>apart, ms</source>
   <translation>auseinander, ms</translation>
  </message>
  <message>
   <location filename="../../core/calculators/times.py" />
   <source>after, s</source>
   <translation>nach, s</translation>
  </message>
  <message>
   <location filename="../../core/calculators/times.py" />
   <source>beats of A</source>
   <translation>Schläge von A</translation>
  </message>
  <message>
   <location filename="../../core/calculators/times.py" />
   <source>swing, %</source>
   <translation>Swing, %</translation>
  </message>
  <message>
   <location filename="../../core/calculators/times.py" />
   <source>late, ms</source>
   <translation>spät, ms</translation>
  </message>
  <message>
   <location filename="../../core/calculators/times.py" />
   <source>ticks of {ppqn}</source>
   <translation>Ticks von {ppqn}</translation>
  </message>
  <message>
   <location filename="../../core/document.py" />
   <source>there is no song {name!r} in {name2}; songs: {there}</source>
   <translation>es gibt keinen Song {name!r} in {name2}; Songs: {there}</translation>
  </message>
  <message>
   <location filename="../../core/document.py" />
   <source>there is no set {name!r} in {name2}; sets: {there}</source>
   <translation>es gibt kein Set {name!r} in {name2}; Sets: {there}</translation>
  </message>
  <message>
   <location filename="../../core/document.py" />
   <source>there is no pattern {name!r} in {name2}; patterns: {there}</source>
   <translation>es gibt kein Pattern {name!r} in {name2}; Patterns: {there}</translation>
  </message>
  <message>
   <location filename="../../core/document.py" />
   <source>there is no device {name!r}; devices: {there}</source>
   <translation>es gibt kein Gerät {name!r}; Geräte: {there}</translation>
  </message>
  <message>
   <location filename="../../core/document.py" />
   <source>there is no {what} {item_id!r}</source>
   <translation>es gibt kein {what} {item_id!r}</translation>
  </message>
  <message>
   <location filename="../../core/document.py" />
   <source>{name} is played in {names}: take it out there first</source>
   <translation>{name} wird in {names} gespielt: dort erst herausnehmen</translation>
  </message>
  <message>
   <location filename="../../core/findings/__init__.py" />
   <source>{fix} By itself that makes another fault: {other}</source>
   <translation>{fix} Für sich allein gibt das einen anderen Fehler: {other}</translation>
  </message>
  <message>
   <location filename="../../core/findings/__init__.py" />
   <source>this is for your hands: {fix}</source>
   <translation>das ist für deine Hände: {fix}</translation>
  </message>
  <message>
   <location filename="../../core/findings/boxes.py" />
   <source>{song}: a quarter is {note_ms:.0f} ms, out of its range</source>
   <translation>{song}: ein Viertel ist {note_ms:.0f} ms, außerhalb seines Bereichs</translation>
  </message>
  <message>
   <location filename="../../core/findings/boxes.py" />
   <source> or {dotted:.0f}</source>
   <translation> oder {dotted:.0f}</translation>
  </message>
  <message>
   <location filename="../../core/findings/boxes.py" />
   <source>{song} {quarter:.0f}{also} ms</source>
   <translation>{song} {quarter:.0f}{also} ms</translation>
  </message>
  <message>
   <location filename="../../core/findings/boxes.py" />
   <source>{device} has no clock input: its time is set by hand for every song.</source>
   <translation>{device} hat keinen Clock-Eingang: seine Zeit wird für jeden Song von Hand gestellt.</translation>
  </message>
  <message>
   <location filename="../../core/findings/boxes.py" />
   <source>Repeats beside the beat blur the rhythm.</source>
   <translation>Wiederholungen neben dem Schlag verwischen den Rhythmus.</translation>
  </message>
  <message>
   <location filename="../../core/findings/boxes.py" />
   <source>A quarter or dotted eighth, fitted to its range: {names}.</source>
   <translation>Ein Viertel oder punktiertes Achtel, in seinem Bereich: {names}.</translation>
  </message>
  <message>
   <location filename="../../core/findings/boxes.py" />
   <source> and {value} more</source>
   <translation> und {value} mehr</translation>
  </message>
  <message>
   <location filename="../../core/findings/boxes.py" />
   <source>Of {device} it is guessed: {names}.</source>
   <translation>An {device} ist vermutet: {names}.</translation>
  </message>
  <message>
   <location filename="../../core/findings/boxes.py" />
   <source>A guess that is wrong is heard on stage: a box that stands still, or plays twice.</source>
   <translation>Eine falsche Vermutung hört man auf der Bühne: ein Gerät, das stillsteht oder doppelt spielt.</translation>
  </message>
  <message>
   <location filename="../../core/findings/boxes.py" />
   <source>Look in its manual's chart, or try it; then set it, or say that it is right.</source>
   <translation>In der Tabelle seines Handbuchs nachsehen oder ausprobieren; dann einstellen oder sagen, dass es stimmt.</translation>
  </message>
  <message>
   <location filename="../../core/findings/boxes.py" />
   <source>A probe of {device} was not quite sure: {names}.</source>
   <translation>Ein Ausforschen von {device} war nicht ganz sicher: {names}.</translation>
  </message>
  <message>
   <location filename="../../core/findings/boxes.py" />
   <source>What is taken for an ability and is none is heard on stage.</source>
   <translation>Was für eine Fähigkeit gehalten wird und keine ist, hört man auf der Bühne.</translation>
  </message>
  <message>
   <location filename="../../core/findings/boxes.py" />
   <source>Probe it again with a busier pattern in it, or look in its manual's chart.</source>
   <translation>Noch einmal ausforschen, mit einem dichteren Pattern darin, oder in der Tabelle der Anleitung nachsehen.</translation>
  </message>
  <message>
   <location filename="../../core/findings/boxes.py" />
   <source>{one} and {other} of {pattern} share slot {slots} of {device} and fall together on step {words}.</source>
   <translation>{one} und {other} von {pattern} teilen sich Platz {slots} von {device} und fallen auf Schritt {words} zusammen.</translation>
  </message>
  <message>
   <location filename="../../core/findings/boxes.py" />
   <source>The later one cuts the other off: one of them is not heard.</source>
   <translation>Der spätere schneidet den anderen ab: einer ist nicht zu hören.</translation>
  </message>
  <message>
   <location filename="../../core/findings/boxes.py" />
   <source>Move one of the hits, or put one of the sounds into another slot.</source>
   <translation>Einen der Schläge verschieben oder einen der Klänge auf einen anderen Platz legen.</translation>
  </message>
  <message>
   <location filename="../../core/findings/clock.py" />
   <source>Let Start and Stop through on the way to {device}.</source>
   <translation>Start und Stopp auf dem Weg zu {device} durchlassen.</translation>
  </message>
  <message>
   <location filename="../../core/findings/clock.py" />
   <source>No clock from {name} reaches {device}.</source>
   <translation>Keine Clock von {name} erreicht {device}.</translation>
  </message>
  <message>
   <location filename="../../core/findings/clock.py" />
   <source>Run a clock cable to {device}, or pass the clock on to it.</source>
   <translation>Ein Clock-Kabel zu {device} ziehen, oder die Clock dorthin weitergeben.</translation>
  </message>
  <message>
   <location filename="../../core/findings/clock.py" />
   <source>{device} sends {target} its own clock on top of the one it passes on.</source>
   <translation>{device} sendet {target} seine eigene Clock zusätzlich zu der, die es weitergibt.</translation>
  </message>
  <message>
   <location filename="../../core/findings/clock.py" />
   <source>Both arrive: ticks count double.</source>
   <translation>Beide kommen an: Ticks zählen doppelt.</translation>
  </message>
  <message>
   <location filename="../../core/findings/clock.py" />
   <source>{device} sends its own clock to {target}.</source>
   <translation>{device} sendet seine eigene Clock an {target}.</translation>
  </message>
  <message>
   <location filename="../../core/findings/clock.py" />
   <source>It is late by what {device} takes, wavers more, and stops with {device}.</source>
   <translation>Sie ist um das zu spät, was {device} braucht, schwankt mehr und hält mit {device} an.</translation>
  </message>
  <message>
   <location filename="../../core/findings/clock.py" />
   <source>Switch Start and Stop on at {at}.</source>
   <translation>Start und Stopp an {at} einschalten.</translation>
  </message>
  <message>
   <location filename="../../core/findings/clock.py" />
   <source>{into} knows no clock.</source>
   <translation>{into} kennt keine Clock.</translation>
  </message>
  <message>
   <location filename="../../core/findings/clock.py" />
   <source>The clock is switched off at {into}.</source>
   <translation>Die Clock ist an {into} abgeschaltet.</translation>
  </message>
  <message>
   <location filename="../../core/findings/clock.py" />
   <source>Switch clock on at {into}.</source>
   <translation>Die Clock an {into} einschalten.</translation>
  </message>
  <message>
   <location filename="../../core/findings/clock.py" />
   <source>{device} gets the clock, but Start does not reach it.</source>
   <translation>{device} bekommt die Clock, aber Start erreicht es nicht.</translation>
  </message>
  <message>
   <location filename="../../core/findings/clock.py" />
   <source>It has the tempo and stays silent until somebody presses its own start.</source>
   <translation>Es hat das Tempo und schweigt, bis jemand seinen eigenen Start drückt.</translation>
  </message>
  <message>
   <location filename="../../core/findings/clock.py" />
   <source>a jack that does</source>
   <translation>eine Buchse, die sie kennt</translation>
  </message>
  <message>
   <location filename="../../core/findings/clock.py" />
   <source>Run its clock cable to {where}.</source>
   <translation>Führe sein Clock-Kabel zu {where}.</translation>
  </message>
  <message>
   <location filename="../../core/findings/clock.py" />
   <source>It runs on its own and will be audibly apart within a few bars.</source>
   <translation>Es läuft für sich und ist nach wenigen Takten hörbar daneben.</translation>
  </message>
  <message>
   <location filename="../../core/findings/clock.py" />
   <source>Set {out_of} to thru, so that the clock passes unchanged.</source>
   <translation>{out_of} auf Thru stellen, damit die Clock unverändert durchgeht.</translation>
  </message>
  <message>
   <location filename="../../core/findings/clock.py" />
   <source>all {tracks} loop tracks</source>
   <translation>alle {tracks} Loop-Spuren</translation>
  </message>
  <message>
   <location filename="../../core/findings/clock.py" />
   <source>all of its patterns</source>
   <translation>alle seine Patterns</translation>
  </message>
  <message>
   <location filename="../../core/findings/clock.py" />
   <source>{device} gets clock from {names}.</source>
   <translation>{device} bekommt Clock von {names}.</translation>
  </message>
  <message>
   <location filename="../../core/findings/clock.py" />
   <source>Two clocks at one input count double or stumble: it will not keep time.</source>
   <translation>Zwei Clocks an einem Eingang zählen doppelt oder stolpern: es hält keine Zeit.</translation>
  </message>
  <message>
   <location filename="../../core/findings/clock.py" />
   <source>Switch clock off at {listed}.</source>
   <translation>Die Clock an {listed} abschalten.</translation>
  </message>
  <message>
   <location filename="../../core/findings/clock.py" />
   <source>Start reaches {device}, which must not start with the rest.</source>
   <translation>Start erreicht {device}, das nicht mit den anderen starten darf.</translation>
  </message>
  <message>
   <location filename="../../core/findings/clock.py" />
   <source>It comes in by itself on the first beat.</source>
   <translation>Es setzt auf dem ersten Schlag von selbst ein.</translation>
  </message>
  <message>
   <location filename="../../core/findings/clock.py" />
   <source>Switch Start and Stop off at {where}.</source>
   <translation>Start und Stopp an {where} abschalten.</translation>
  </message>
  <message>
   <location filename="../../core/findings/clock.py" />
   <source>Grebe plays {device} note by note, and Start also runs the patterns in its memory.</source>
   <translation>Grebe spielt {device} Note für Note, und Start lässt auch die Patterns in seinem Speicher laufen.</translation>
  </message>
  <message>
   <location filename="../../core/findings/clock.py" />
   <source>Every hit comes twice, a little apart.</source>
   <translation>Jeder Schlag kommt zweimal, etwas auseinander.</translation>
  </message>
  <message>
   <location filename="../../core/findings/clock.py" />
   <source>Switch Start and Stop off at {where}, or let {device} play its own.</source>
   <translation>Start und Stopp an {where} abschalten, oder {device} das Eigene spielen lassen.</translation>
  </message>
  <message>
   <location filename="../../core/findings/clock.py" />
   <source>{song} at {bpm:g}</source>
   <translation>{song} mit {bpm:g}</translation>
  </message>
  <message>
   <location filename="../../core/findings/clock.py" />
   <source>{device} runs from {low:g} to {high:g} BPM; outside it: {listed}.</source>
   <translation>{device} läuft von {low:g} bis {high:g} BPM; außerhalb: {listed}.</translation>
  </message>
  <message>
   <location filename="../../core/findings/clock.py" />
   <source>It stops following there, or runs at half or double the tempo.</source>
   <translation>Dort hört es auf zu folgen oder läuft mit halbem oder doppeltem Tempo.</translation>
  </message>
  <message>
   <location filename="../../core/findings/clock.py" />
   <source>Give {device} half or double the clock there, or change the tempo.</source>
   <translation>{device} dort die halbe oder doppelte Clock geben, oder das Tempo ändern.</translation>
  </message>
  <message>
   <location filename="../../core/findings/clock.py" />
   <source>{device} leads in steps of {step:g} BPM; between them: {listed}.</source>
   <translation>{device} führt in Schritten von {step:g} BPM; dazwischen: {listed}.</translation>
  </message>
  <message>
   <location filename="../../core/findings/clock.py" />
   <source>The song runs at the nearest step instead.</source>
   <translation>Der Song läuft stattdessen auf dem nächsten Schritt.</translation>
  </message>
  <message>
   <location filename="../../core/findings/clock.py" />
   <source>Round the tempo to its step, or let another lead.</source>
   <translation>Das Tempo auf seinen Schritt runden, oder ein anderes führen lassen.</translation>
  </message>
  <message>
   <location filename="../../core/findings/clock.py" />
   <source>{device} sounds {apart:.1f} ms after {name}.</source>
   <translation>{device} klingt {apart:.1f} ms nach {name}.</translation>
  </message>
  <message>
   <location filename="../../core/findings/clock.py" />
   <source>Over {heard_apart_ms:g} ms apart, two hits on one beat are heard as two.</source>
   <translation>Über {heard_apart_ms:g} ms auseinander hört man zwei Schläge als zwei.</translation>
  </message>
  <message>
   <location filename="../../core/findings/clock.py" />
   <source>Set the offset of {device} to {offset:g} ms.</source>
   <translation>Den Versatz von {device} auf {offset:g} ms setzen.</translation>
  </message>
  <message>
   <location filename="../../core/findings/clock.py" />
   <source>Start makes {device} run {what}.</source>
   <translation>Start lässt {device} {what} laufen.</translation>
  </message>
  <message>
   <location filename="../../core/findings/clock.py" />
   <source>Tracks that are not wanted yet come in with the rest.</source>
   <translation>Spuren, die noch nicht gewünscht sind, setzen mit dem Rest ein.</translation>
  </message>
  <message>
   <location filename="../../core/findings/clock.py" />
   <source>Switch Start and Stop off at {where} and start tracks by hand.</source>
   <translation>Start und Stopp an {where} abschalten und Spuren von Hand starten.</translation>
  </message>
  <message>
   <location filename="../../core/findings/habits.py" />
   <source>Let Grebe hold note {note} from before its first beat.</source>
   <translation>Lass Grebe Note {note} von vor seinem ersten Schlag an halten.</translation>
  </message>
  <message>
   <location filename="../../core/findings/habits.py" />
   <source>Hold note {note} there from before the first beat to the end.</source>
   <translation>Halte dort Note {note} von vor dem ersten Schlag bis zum Ende.</translation>
  </message>
  <message>
   <location filename="../../core/findings/habits.py" />
   <source> It closes again whenever its pattern begins.</source>
   <translation> Er schließt sich wieder, sooft sein Pattern beginnt.</translation>
  </message>
  <message>
   <location filename="../../core/findings/habits.py" />
   <source>{song} is number {number} in {device}, which does not obey Song Select.</source>
   <translation>{song} ist Nummer {number} in {device}, das Song Select nicht befolgt.</translation>
  </message>
  <message>
   <location filename="../../core/findings/habits.py" />
   <source>It plays whichever of its songs it stands at.</source>
   <translation>Es spielt den Song, auf dem es gerade steht.</translation>
  </message>
  <message>
   <location filename="../../core/findings/habits.py" />
   <source>Choose it there by hand before the song, and write that among what it needs.</source>
   <translation>Wähle ihn dort vor dem Song von Hand und schreib das zu dem, was er braucht.</translation>
  </message>
  <message>
   <location filename="../../core/findings/habits.py" />
   <source>while it stands</source>
   <translation>im Stillstand</translation>
  </message>
  <message>
   <location filename="../../core/findings/habits.py" />
   <source>in another mode</source>
   <translation>in einer anderen Betriebsart</translation>
  </message>
  <message>
   <location filename="../../core/findings/habits.py" />
   <source>{device} sounds nothing until note {note} is held.{again}</source>
   <translation>{device} klingt nicht, bis Note {note} gehalten wird.{again}</translation>
  </message>
  <message>
   <location filename="../../core/findings/habits.py" />
   <source>Its first note is lost, or all of them.</source>
   <translation>Seine erste Note geht verloren, oder alle.</translation>
  </message>
  <message>
   <location filename="../../core/findings/habits.py" />
   <source>{device} is to go from {first} to {then} in {song}, at {scene}: it goes to another group only {when}.</source>
   <translation>{device} soll in {song} bei {scene} von {first} zu {then} gehen: in eine andere Gruppe geht es nur {when}.</translation>
  </message>
  <message>
   <location filename="../../core/findings/habits.py" />
   <source>It stays where it is, or stops.</source>
   <translation>Es bleibt, wo es ist, oder bleibt stehen.</translation>
  </message>
  <message>
   <location filename="../../core/findings/habits.py" />
   <source>Put the patterns of this song into one group of its memory.</source>
   <translation>Leg die Patterns dieses Songs in eine Gruppe seines Speichers.</translation>
  </message>
  <message>
   <location filename="../../core/findings/known.py" />
   <source>You noted on {day} of {names}: {text}{version}.</source>
   <translation>Am {day} hast du zu {names} notiert: {text}{version}.</translation>
  </message>
  <message>
   <location filename="../../core/findings/known.py" />
   <source> (firmware {version})</source>
   <translation> (Firmware {version})</translation>
  </message>
  <message>
   <location filename="../../core/findings/known.py" />
   <source>You noted on {day} that {names} fail: {text}{version}.</source>
   <translation>Am {day} hast du notiert, dass es mit {names} nicht geht: {text}{version}.</translation>
  </message>
  <message>
   <location filename="../../core/findings/known.py" />
   <source>It failed then, and nobody has written since that it works.</source>
   <translation>Damals ging es nicht, und niemand hat seither geschrieben, dass es geht.</translation>
  </message>
  <message>
   <location filename="../../core/findings/known.py" />
   <source>You wrote it down for a day like this.</source>
   <translation>Du hast es für einen Tag wie diesen notiert.</translation>
  </message>
  <message>
   <location filename="../../core/findings/known.py" />
   <source>Try it before the set, and write down what comes of it.</source>
   <translation>Probier es vor dem Set aus und notier, was herauskommt.</translation>
  </message>
  <message>
   <location filename="../../core/findings/known.py" />
   <source>See to it, or take the note out.</source>
   <translation>Kümmere dich darum oder nimm die Notiz heraus.</translation>
  </message>
  <message>
   <location filename="../../core/findings/leading.py" />
   <source>Let {name} lead. {why}</source>
   <translation>Lass {name} führen. {why}</translation>
  </message>
  <message>
   <location filename="../../core/findings/leading.py" />
   <source>Run a clock cable from {leader} to whoever is to follow it.</source>
   <translation>Führe ein Clock-Kabel von {leader} zu denen, die ihm folgen sollen.</translation>
  </message>
  <message>
   <location filename="../../core/findings/leading.py" />
   <source>Grebe plays on at its own tempo, beside {leader}.</source>
   <translation>Grebe spielt im eigenen Tempo weiter, neben {leader} her.</translation>
  </message>
  <message>
   <location filename="../../core/findings/leading.py" />
   <source> ({leader} is not in the rig)</source>
   <translation> ({leader} ist nicht im Rig)</translation>
  </message>
  <message>
   <location filename="../../core/findings/leading.py" />
   <source>Switch clock on at {out_of}.</source>
   <translation>Schalte die Clock an {out_of} ein.</translation>
  </message>
  <message>
   <location filename="../../core/findings/leading.py" />
   <source>Run a clock cable from {leader} to Grebe.</source>
   <translation>Führe ein Clock-Kabel von {leader} zu Grebe.</translation>
  </message>
  <message>
   <location filename="../../core/findings/leading.py" />
   <source>Nobody leads the clock{gone}.</source>
   <translation>Niemand führt die Clock{gone}.</translation>
  </message>
  <message>
   <location filename="../../core/findings/leading.py" />
   <source>Every box runs at its own tempo and they drift apart within a few bars.</source>
   <translation>Jedes Gerät läuft im eigenen Tempo, und nach wenigen Takten sind sie auseinander.</translation>
  </message>
  <message>
   <location filename="../../core/findings/leading.py" />
   <source>{leader} leads, and nobody gets its clock.</source>
   <translation>{leader} führt, und niemand bekommt seine Clock.</translation>
  </message>
  <message>
   <location filename="../../core/findings/leading.py" />
   <source>{name} is to lead, but can send no clock.</source>
   <translation>{name} soll führen, kann aber keine Clock senden.</translation>
  </message>
  <message>
   <location filename="../../core/findings/leading.py" />
   <source>The others wait for it, or run at tempi of their own.</source>
   <translation>Die anderen warten auf sie oder laufen in eigenen Tempi.</translation>
  </message>
  <message>
   <location filename="../../core/findings/leading.py" />
   <source>No clock from {leader} reaches Grebe.</source>
   <translation>Keine Clock von {leader} erreicht Grebe.</translation>
  </message>
  <message>
   <location filename="../../core/findings/leading.py" />
   <source>The clock runs in a ring: {around}.</source>
   <translation>Die Clock läuft im Kreis: {around}.</translation>
  </message>
  <message>
   <location filename="../../core/findings/leading.py" />
   <source>Every tick comes round again as another tick: tempo runs away or boxes hang.</source>
   <translation>Jeder Tick kommt als weiterer Tick wieder herum: das Tempo läuft davon oder Geräte hängen.</translation>
  </message>
  <message>
   <location filename="../../core/findings/leading.py" />
   <source>Switch clock off at {out_of}.</source>
   <translation>Die Clock an {out_of} abschalten.</translation>
  </message>
  <message>
   <location filename="../../core/findings/leading.py" />
   <source>{device} leads: the foot that starts it starts {names} too.</source>
   <translation>{device} führt: der Fuß, der es startet, startet auch {names}.</translation>
  </message>
  <message>
   <location filename="../../core/findings/leading.py" />
   <source>A loop begun before its time brings everybody in, and stopping it stops them.</source>
   <translation>Eine zu früh begonnene Schleife holt alle herein, und wer sie anhält, hält alle an.</translation>
  </message>
  <message>
   <location filename="../../core/findings/leading.py" />
   <source>Start only on the downbeat that is meant, or switch Start and Stop off at {out_of} and start the others by hand.</source>
   <translation>Starte nur auf der Eins, die gemeint ist, oder schalte Start und Stop an {out_of} aus und starte die anderen von Hand.</translation>
  </message>
  <message>
   <location filename="../../core/findings/leading.py" />
   <source>{device}'s own start runs all {tracks} loop tracks.</source>
   <translation>Der eigene Start von {device} lässt alle {tracks} Schleifenspuren laufen.</translation>
  </message>
  <message>
   <location filename="../../core/findings/leading.py" />
   <source>Stop or empty the tracks that are not wanted before it is started.</source>
   <translation>Halte Spuren, die nicht gewollt sind, an oder leere sie, bevor es gestartet wird.</translation>
  </message>
  <message>
   <location filename="../../core/findings/leading.py" />
   <source>Grebe is to follow {source} and does not know where to hear it.</source>
   <translation>Grebe soll {source} folgen und weiß nicht, wo es zu hören ist.</translation>
  </message>
  <message>
   <location filename="../../core/findings/leading.py" />
   <source>Choose where it is heard, on its sheet.</source>
   <translation>Wähle auf seinem Blatt, wo es gehört wird.</translation>
  </message>
  <message>
   <location filename="../../core/findings/look.py" />
   <source>{rate} a quarter</source>
   <translation>{rate} je Viertel</translation>
  </message>
  <message>
   <location filename="../../core/findings/look.py" />
   <source>one a bar of 4/4</source>
   <translation>einer je 4/4-Takt</translation>
  </message>
  <message>
   <location filename="../../core/findings/look.py" />
   <source> (its {name})</source>
   <translation> (dort: {name})</translation>
  </message>
  <message>
   <location filename="../../core/findings/look.py" />
   <source>input</source>
   <translation>Eingang</translation>
  </message>
  <message>
   <location filename="../../core/findings/messages.py" />
   <source>program changes</source>
   <translation>Programmwechsel</translation>
  </message>
  <message>
   <location filename="../../core/findings/messages.py" />
   <source>Switch {words} off at {where}{word}.</source>
   <translation>Schalte {words} an {where}{word} aus.</translation>
  </message>
  <message>
   <location filename="../../core/findings/messages.py" />
   <source>{device} plays along what is meant for another box.</source>
   <translation>{device} spielt mit, was für ein anderes Gerät gemeint ist.</translation>
  </message>
  <message>
   <location filename="../../core/findings/messages.py" />
   <source>Switch {kind_words} off at {into}.</source>
   <translation>{kind_words} an {into} abschalten.</translation>
  </message>
  <message>
   <location filename="../../core/findings/messages.py" />
   <source> Or say on the cable that they are to play {device}.</source>
   <translation> Oder sag am Kabel, dass sie {device} spielen sollen.</translation>
  </message>
  <message>
   <location filename="../../core/findings/messages.py" />
   <source>{device} changes pattern when another box is told to.</source>
   <translation>{device} wechselt das Pattern, wenn ein anderes gemeint ist.</translation>
  </message>
  <message>
   <location filename="../../core/findings/messages.py" />
   <source>A turn meant for another box changes or silences {device}.</source>
   <translation>Ein Dreh, der einem anderen gilt, ändert {device} oder bringt es zum Schweigen.</translation>
  </message>
  <message>
   <location filename="../../core/findings/messages.py" />
   <source>{device} plays its own pattern and these notes as well.</source>
   <translation>{device} spielt sein eigenes Pattern und diese Noten dazu.</translation>
  </message>
  <message>
   <location filename="../../core/findings/messages.py" />
   <source>controller {stream_number}</source>
   <translation>Controller {stream_number}</translation>
  </message>
  <message>
   <location filename="../../core/findings/messages.py" />
   <source>is not in the rig</source>
   <translation>ist nicht im Rig</translation>
  </message>
  <message>
   <location filename="../../core/findings/messages.py" />
   <source>is heard nowhere</source>
   <translation>ist nirgends zu hören</translation>
  </message>
  <message>
   <location filename="../../core/findings/messages.py" />
   <source>Move {meant} to channel {free}, here and on the box.</source>
   <translation>{meant} auf Kanal {free} legen, hier und am Gerät.</translation>
  </message>
  <message>
   <location filename="../../core/findings/messages.py" />
   <source>{device} also gets {what} for {meant}: both are on channel {channel} of one wire.</source>
   <translation>{device} bekommt auch {what} für {meant}: beide sind auf Kanal {channel} einer Leitung.</translation>
  </message>
  <message>
   <location filename="../../core/findings/messages.py" />
   <source>{origin}'s own {words} reach {device} on channel {channel}.</source>
   <translation>{words} von {origin} selbst erreichen {device} auf Kanal {channel}.</translation>
  </message>
  <message>
   <location filename="../../core/findings/messages.py" />
   <source>, the one that mutes it</source>
   <translation>, dem, der es stumm schaltet</translation>
  </message>
  <message>
   <location filename="../../core/findings/messages.py" />
   <source>{p} is sent as {n}, printed {printed_program}</source>
   <translation>{p} wird als {n} gesendet, gedruckt {printed_program}</translation>
  </message>
  <message>
   <location filename="../../core/findings/messages.py" />
   <source>, and {value} more</source>
   <translation>, und {value} mehr</translation>
  </message>
  <message>
   <location filename="../../core/findings/messages.py" />
   <source>an offset of {offset:+d} lines them up</source>
   <translation>ein Versatz von {offset:+d} bringt sie zusammen</translation>
  </message>
  <message>
   <location filename="../../core/findings/messages.py" />
   <source>Give {meant} a wire of its own.</source>
   <translation>{meant} eine eigene Leitung geben.</translation>
  </message>
  <message>
   <location filename="../../core/findings/messages.py" />
   <source>one counts from the bottom, the other from the top: it takes a table</source>
   <translation>das eine zählt von unten, das andere von oben: es braucht eine Tabelle</translation>
  </message>
  <message>
   <location filename="../../core/findings/messages.py" />
   <source>it takes a table</source>
   <translation>es braucht eine Tabelle</translation>
  </message>
  <message>
   <location filename="../../core/findings/messages.py" />
   <source>{name} {why}; learnt on it: {actions}.</source>
   <translation>{name} {why}; darauf gelernt: {actions}.</translation>
  </message>
  <message>
   <location filename="../../core/findings/messages.py" />
   <source>You press it and nothing happens.</source>
   <translation>Du drückst, und nichts geschieht.</translation>
  </message>
  <message>
   <location filename="../../core/findings/messages.py" />
   <source>Set where it is heard, on its sheet, or learn the actions on another.</source>
   <translation>Auf seinem Blatt setzen, wo es gehört wird, oder die Aktionen auf einem anderen lernen.</translation>
  </message>
  <message>
   <location filename="../../core/findings/messages.py" />
   <source>Grebe's {kind_words} for {device}{only} stop at {where}.</source>
   <translation>{kind_words} von Grebe für {device}{only} enden an {where}.</translation>
  </message>
  <message>
   <location filename="../../core/findings/messages.py" />
   <source>{device} never hears them.</source>
   <translation>{device} hört sie nie.</translation>
  </message>
  <message>
   <location filename="../../core/findings/messages.py" />
   <source>Leave {kind_words} enabled at {where}.</source>
   <translation>{kind_words} an {where} eingeschaltet lassen.</translation>
  </message>
  <message>
   <location filename="../../core/findings/messages.py" />
   <source>{device} prints its patterns otherwise than they are sent.</source>
   <translation>{device} druckt seine Patterns anders, als sie gesendet werden.</translation>
  </message>
  <message>
   <location filename="../../core/findings/messages.py" />
   <source>Dialled in as sent, another pattern plays.</source>
   <translation>Eingestellt wie gesendet, spielt ein anderes Pattern.</translation>
  </message>
  <message>
   <location filename="../../core/findings/messages.py" />
   <source>Go by the set-up sheet: {names}{more}.</source>
   <translation>Nach dem Aufbaublatt gehen: {names}{more}.</translation>
  </message>
  <message>
   <location filename="../../core/findings/messages.py" />
   <source>The pads of {source} and {target} do not lie on the same notes.</source>
   <translation>Die Pads von {source} und {target} liegen nicht auf denselben Noten.</translation>
  </message>
  <message>
   <location filename="../../core/findings/messages.py" />
   <source>A pad struck here sounds another there.</source>
   <translation>Ein Pad, hier geschlagen, klingt dort als ein anderes.</translation>
  </message>
  <message>
   <location filename="../../core/findings/messages.py" />
   <source>Map them by where they lie; {how}.</source>
   <translation>Nach ihrer Lage zuordnen; {how}.</translation>
  </message>
  <message>
   <location filename="../../core/findings/messages.py" />
   <source>Grebe has {what} for {device}, but no MIDI cable leads there.</source>
   <translation>Grebe hat {what} für {device}, aber kein MIDI-Kabel führt dorthin.</translation>
  </message>
  <message>
   <location filename="../../core/findings/messages.py" />
   <source>{device} stays silent, or on the pattern it happens to be on.</source>
   <translation>{device} bleibt still, oder auf dem Pattern, auf dem es gerade ist.</translation>
  </message>
  <message>
   <location filename="../../core/findings/messages.py" />
   <source>Run a MIDI cable from Grebe to {device}, or pass it on by thru.</source>
   <translation>Ein MIDI-Kabel von Grebe zu {device} ziehen, oder es per Thru weitergeben.</translation>
  </message>
  <message>
   <location filename="../../core/findings/messages.py" />
   <source>{pattern} is to stand at place {value} of {device}, which holds {size}.</source>
   <translation>{pattern} soll auf Platz {value} von {device} stehen, das {size} fasst.</translation>
  </message>
  <message>
   <location filename="../../core/findings/messages.py" />
   <source>The box ignores the program change and goes on with the one before.</source>
   <translation>Das Gerät übergeht den Programmwechsel und spielt das vorige weiter.</translation>
  </message>
  <message>
   <location filename="../../core/findings/messages.py" />
   <source>Give the pattern another slot.</source>
   <translation>Dem Pattern einen anderen Platz geben.</translation>
  </message>
  <message>
   <location filename="../../core/findings/messages.py" />
   <source>Stage action</source>
   <translation>Bühnenaktion</translation>
  </message>
  <message>
   <location filename="../../core/findings/messages.py" />
   <source>Stage actions</source>
   <translation>Bühnenaktionen</translation>
  </message>
  <message>
   <location filename="../../core/findings/messages.py" />
   <source>A route through Grebe ends at {gone}, which is not in the rig.</source>
   <translation>Ein Weg durch Grebe endet bei {gone}, das nicht im Rig ist.</translation>
  </message>
  <message>
   <location filename="../../core/findings/messages.py" />
   <source>What it should carry goes nowhere.</source>
   <translation>Was er tragen sollte, geht nirgendwohin.</translation>
  </message>
  <message>
   <location filename="../../core/findings/messages.py" />
   <source>Remove the route.</source>
   <translation>Den Weg entfernen.</translation>
  </message>
  <message>
   <location filename="../../core/findings/past.py" />
   <source>came {ms:.0f} ms {late}</source>
   <translation>kam {ms:.0f} ms {late}</translation>
  </message>
  <message>
   <location filename="../../core/findings/past.py" />
   <source>was missed</source>
   <translation>blieb aus</translation>
  </message>
  <message>
   <location filename="../../core/findings/past.py" />
   <source>{song}, {before} into {after}: {what} {how} in {wrong} of the last {count}.</source>
   <translation>{song}, {before} nach {after}: {what} {how} in {wrong} der letzten {count}.</translation>
  </message>
  <message>
   <location filename="../../core/findings/past.py" />
   <source>It was so on {days}.</source>
   <translation>So war es am {days}.</translation>
  </message>
  <message>
   <location filename="../../core/findings/past.py" />
   <source>Give it to Grebe, make it easier, or rehearse it: Set, Rehearse.</source>
   <translation>Gib es Grebe, mach es leichter oder probe es: Set, Proben.</translation>
  </message>
  <message>
   <location filename="../../core/findings/past.py" />
   <source>{box} comes {ms:.1f} ms {late} as it is set, by what was measured {count} times (95 %: {low:+.1f} to {high:+.1f}).</source>
   <translation>{box} kommt, wie es eingestellt ist, {ms:.1f} ms {late}, nach {count} Messungen (95 %: {low:+.1f} bis {high:+.1f}).</translation>
  </message>
  <message>
   <location filename="../../core/findings/past.py" />
   <source>Measured on {days}.</source>
   <translation>Gemessen am {days}.</translation>
  </message>
  <message>
   <location filename="../../core/findings/past.py" />
   <source>Set its offset to {ms:+.1f} ms, or check it again: Sync.</source>
   <translation>Setze den Versatz auf {ms:+.1f} ms oder prüfe es noch einmal: Sync.</translation>
  </message>
  <message>
   <location filename="../../core/findings/past.py" />
   <source>{box} drifted by {rate:+.1f} ms a minute the last time, and so in {moved} of the last {count} runs.</source>
   <translation>{box} ist zuletzt um {rate:+.1f} ms in der Minute gedriftet, und so in {moved} der letzten {count} Durchläufe.</translation>
  </message>
  <message>
   <location filename="../../core/findings/past.py" />
   <source>No offset mends that: let it follow the clock, or check its cable: Sync.</source>
   <translation>Kein Versatz behebt das: lass es der Clock folgen oder prüfe sein Kabel: Sync.</translation>
  </message>
  <message>
   <location filename="../../core/findings/past.py" />
   <source>{box} is later by {rate:+.2f} ms for each BPM faster (95 %: {low:+.2f} to {high:+.2f}).</source>
   <translation>{box} ist je BPM schneller um {rate:+.2f} ms später (95 %: {low:+.2f} bis {high:+.2f}).</translation>
  </message>
  <message>
   <location filename="../../core/findings/past.py" />
   <source>One offset cannot be right for all songs of a set.</source>
   <translation>Ein Versatz kann nicht für alle Songs eines Sets stimmen.</translation>
  </message>
  <message>
   <location filename="../../core/findings/past.py" />
   <source>Set it for the tempo that matters most, and look at it in Log, Boxes.</source>
   <translation>Setze ihn für das wichtigste Tempo und sieh es dir in Log, Geräte an.</translation>
  </message>
  <message>
   <location filename="../../core/findings/past.py" />
   <source> and {more} days before</source>
   <translation> und an {more} Tagen davor</translation>
  </message>
  <message>
   <location filename="../../core/findings/past.py" />
   <source>{what} on {on} of the last {of} evenings.</source>
   <translation>{what}, an {on} der letzten {of} Abende.</translation>
  </message>
  <message>
   <location filename="../../core/findings/past.py" />
   <source>The last time was {day}. What comes twice comes again.</source>
   <translation>Zuletzt war es am {day}. Was zweimal kommt, kommt wieder.</translation>
  </message>
  <message>
   <location filename="../../core/findings/past.py" />
   <source>Change its cable or port before the next one, and write down what helped: Rig, Notes.</source>
   <translation>Wechsle vor dem nächsten Kabel oder Port und notiere, was geholfen hat: Rig, Notizen.</translation>
  </message>
  <message>
   <location filename="../../core/findings/past.py" />
   <source>{running} takes {more} longer than it is written, by {count} runs (95 %: {low} to {high}).</source>
   <translation>{running} dauert {more} länger als geschrieben, nach {count} Durchläufen (95 %: {low} bis {high}).</translation>
  </message>
  <message>
   <location filename="../../core/findings/past.py" />
   <source>Plan so much air, or see in Log what goes on longer.</source>
   <translation>Plane so viel Luft ein oder sieh in Log nach, was länger geht.</translation>
  </message>
  <message>
   <location filename="../../core/findings/patterns.py" />
   <source>voices of other lengths</source>
   <translation>Stimmen anderer Länge</translation>
  </message>
  <message>
   <location filename="../../core/findings/patterns.py" />
   <source>directions other than forward</source>
   <translation>andere Richtungen als vorwärts</translation>
  </message>
  <message>
   <location filename="../../core/findings/patterns.py" />
   <source>controllers by step</source>
   <translation>Controller je Schritt</translation>
  </message>
  <message>
   <location filename="../../core/findings/patterns.py" />
   <source>{count} voices</source>
   <translation>{count} Stimmen</translation>
  </message>
  <message>
   <location filename="../../core/findings/patterns.py" />
   <source>{pattern} and {name} are both meant for {printed_program} of {device}.</source>
   <translation>{pattern} und {name} sind beide für {printed_program} von {device} gemeint.</translation>
  </message>
  <message>
   <location filename="../../core/findings/patterns.py" />
   <source>Only one of them can be in the box: the other is never heard.</source>
   <translation>Nur eins kann im Gerät sein: das andere ist nie zu hören.</translation>
  </message>
  <message>
   <location filename="../../core/findings/patterns.py" />
   <source>Give one of them another place, in its memory map.</source>
   <translation>Einem von ihnen in seiner Speicherkarte einen anderen Platz geben.</translation>
  </message>
  <message>
   <location filename="../../core/findings/patterns.py" />
   <source>{name} has {longest} steps; a pattern of {box} has {longest2} at most.</source>
   <translation>{name} hat {longest} Schritte; ein Pattern von {box} höchstens {longest2}.</translation>
  </message>
  <message>
   <location filename="../../core/findings/patterns.py" />
   <source>What is past its last step is not heard.</source>
   <translation>Was hinter seinem letzten Schritt liegt, ist nicht zu hören.</translation>
  </message>
  <message>
   <location filename="../../core/findings/patterns.py" />
   <source>Cut it into patterns of {longest} steps and chain them, or halve it.</source>
   <translation>In Patterns von {longest} Schritten schneiden und verketten, oder halbieren.</translation>
  </message>
  <message>
   <location filename="../../core/findings/patterns.py" />
   <source>{name} counts in steps of {names}; {box} knows {names2}.</source>
   <translation>{name} zählt in Schritten von {names}; {box} kennt {names2}.</translation>
  </message>
  <message>
   <location filename="../../core/findings/patterns.py" />
   <source>It cannot be keyed in as it is drawn.</source>
   <translation>Es lässt sich nicht eingeben, wie es gezeichnet ist.</translation>
  </message>
  <message>
   <location filename="../../core/findings/patterns.py" />
   <source>Give its voices a step the box has.</source>
   <translation>Seinen Stimmen einen Schritt geben, den das Gerät hat.</translation>
  </message>
  <message>
   <location filename="../../core/findings/patterns.py" />
   <source>{name} has {count} voices; a pattern of {box} has {voices}.</source>
   <translation>{name} hat {count} Stimmen; ein Pattern von {box} hat {voices}.</translation>
  </message>
  <message>
   <location filename="../../core/findings/patterns.py" />
   <source>The rest are not heard.</source>
   <translation>Der Rest ist nicht zu hören.</translation>
  </message>
  <message>
   <location filename="../../core/findings/patterns.py" />
   <source>Move some into another pattern, or onto another box.</source>
   <translation>Einige in ein anderes Pattern legen, oder auf ein anderes Gerät.</translation>
  </message>
  <message>
   <location filename="../../core/findings/patterns.py" />
   <source>{name} uses {words}; patterns of {box} have none of it.</source>
   <translation>{name} benutzt {words}; Patterns von {box} haben nichts davon.</translation>
  </message>
  <message>
   <location filename="../../core/findings/patterns.py" />
   <source>The box plays it plainly: other notes than are drawn.</source>
   <translation>Das Gerät spielt es schlicht: andere Noten als gezeichnet.</translation>
  </message>
  <message>
   <location filename="../../core/findings/patterns.py" />
   <source>Let Grebe play {box}, or write it plainly.</source>
   <translation>Grebe {box} spielen lassen, oder es schlicht schreiben.</translation>
  </message>
  <message>
   <location filename="../../core/findings/patterns.py" />
   <source>{name} swings {swing:g} %; the nearest of {box} is level {level_number} of {of}, {level_value:g} %: {off_ms:+.1f} ms at {bpm:g} BPM.</source>
   <translation>{name} swingt {swing:g} %; das Nächste von {box} ist Stufe {level_number} von {of}, {level_value:g} %: {off_ms:+.1f} ms bei {bpm:g} BPM.</translation>
  </message>
  <message>
   <location filename="../../core/findings/patterns.py" />
   <source>Beside the boxes Grebe plays, its off-beats fall apart.</source>
   <translation>Neben den Geräten, die Grebe spielt, fallen seine Off-Beats auseinander.</translation>
  </message>
  <message>
   <location filename="../../core/findings/patterns.py" />
   <source>Set the pattern to {level_value:g} %, or let Grebe play the box.</source>
   <translation>Das Pattern auf {level_value:g} % setzen, oder Grebe das Gerät spielen lassen.</translation>
  </message>
  <message>
   <location filename="../../core/findings/patterns.py" />
   <source>{voice} step {step}</source>
   <translation>{voice} Schritt {step}</translation>
  </message>
  <message>
   <location filename="../../core/findings/patterns.py" />
   <source>{pattern} has flams; {device} has none ({places}).</source>
   <translation>{pattern} hat Flams; {device} hat keine ({places}).</translation>
  </message>
  <message>
   <location filename="../../core/findings/patterns.py" />
   <source>The box plays one stroke.</source>
   <translation>Das Gerät spielt einen Schlag.</translation>
  </message>
  <message>
   <location filename="../../core/findings/patterns.py" />
   <source>Write the first stroke as a soft hit, or leave it.</source>
   <translation>Den ersten Schlag als leisen Schlag schreiben, oder ihn lassen.</translation>
  </message>
  <message>
   <location filename="../../core/findings/patterns.py" />
   <source>{voice} step {value}: {wanted:.0f} ms, its level {level_number} is {level_value:g} ms</source>
   <translation>{voice} Schritt {value}: {wanted:.0f} ms, seine Stufe {level_number} ist {level_value:g} ms</translation>
  </message>
  <message>
   <location filename="../../core/findings/patterns.py" />
   <source>Flams of {pattern} lie between those of {device}: {names}.</source>
   <translation>Flams von {pattern} liegen zwischen denen von {device}: {names}.</translation>
  </message>
  <message>
   <location filename="../../core/findings/patterns.py" />
   <source>They come out wider or narrower than drawn.</source>
   <translation>Sie kommen weiter oder enger heraus als gezeichnet.</translation>
  </message>
  <message>
   <location filename="../../core/findings/patterns.py" />
   <source>Take the box's widths.</source>
   <translation>Die Weiten des Geräts nehmen.</translation>
  </message>
  <message>
   <location filename="../../core/findings/patterns.py" />
   <source>{pattern} has velocities {names}; {device} knows {levels}.</source>
   <translation>{pattern} hat Stärken {names}; {device} kennt {levels}.</translation>
  </message>
  <message>
   <location filename="../../core/findings/patterns.py" />
   <source>The box plays the nearest: louder or softer than drawn.</source>
   <translation>Das Gerät spielt die nächste: lauter oder leiser als gezeichnet.</translation>
  </message>
  <message>
   <location filename="../../core/findings/patterns.py" />
   <source>Write them in its levels.</source>
   <translation>Sie in seinen Stufen schreiben.</translation>
  </message>
  <message>
   <location filename="../../core/findings/patterns.py" />
   <source>{voice} (note {note})</source>
   <translation>{voice} (Note {note})</translation>
  </message>
  <message>
   <location filename="../../core/findings/patterns.py" />
   <source>{device} has no voice for {names} of {pattern}.</source>
   <translation>{device} hat keine Stimme für {names} von {pattern}.</translation>
  </message>
  <message>
   <location filename="../../core/findings/patterns.py" />
   <source>They are not heard.</source>
   <translation>Sie sind nicht zu hören.</translation>
  </message>
  <message>
   <location filename="../../core/findings/patterns.py" />
   <source>Give them a note of one of its voices.</source>
   <translation>Ihnen eine Note einer seiner Stimmen geben.</translation>
  </message>
  <message>
   <location filename="../../core/findings/patterns.py" />
   <source>{pattern} holds {most} notes at once at step {value} ({who}); {device} sounds {limit}.</source>
   <translation>{pattern} hält bei Schritt {value} {most} Noten zugleich ({who}); {device} klingt mit {limit}.</translation>
  </message>
  <message>
   <location filename="../../core/findings/patterns.py" />
   <source>It drops one of them: the bass under a chord, or a note of the chord.</source>
   <translation>Es lässt eine fallen: den Bass unter einem Akkord oder einen Ton des Akkords.</translation>
  </message>
  <message>
   <location filename="../../core/findings/patterns.py" />
   <source>Shorten gates, thin the chord, or give one of the jobs to another box.</source>
   <translation>Gates kürzen, den Akkord ausdünnen oder eine Aufgabe einem anderen Gerät geben.</translation>
  </message>
  <message>
   <location filename="../../core/findings/patterns.py" />
   <source>{lane} of {pattern} goes to {value}; {row} of {device} takes {low} to {high}.</source>
   <translation>{lane} von {pattern} geht bis {value}; {row} von {device} nimmt {low} bis {high}.</translation>
  </message>
  <message>
   <location filename="../../core/findings/patterns.py" />
   <source>The box holds it at its end, or ignores it.</source>
   <translation>Das Gerät hält ihn an seinem Ende oder übergeht ihn.</translation>
  </message>
  <message>
   <location filename="../../core/findings/patterns.py" />
   <source>Keep it from {low} to {high}.</source>
   <translation>Zwischen {low} und {high} bleiben.</translation>
  </message>
  <message>
   <location filename="../../core/findings/playing.py" />
   <source>what it makes itself</source>
   <translation>was es selbst macht</translation>
  </message>
  <message>
   <location filename="../../core/findings/playing.py" />
   <source>what comes in</source>
   <translation>was hereinkommt</translation>
  </message>
  <message>
   <location filename="../../core/findings/playing.py" />
   <source>both of them, merged</source>
   <translation>beides gemischt</translation>
  </message>
  <message>
   <location filename="../../core/findings/playing.py" />
   <source>Put a thru or merge box before {name}.</source>
   <translation>Setz eine Thru- oder Merge-Box vor {name}.</translation>
  </message>
  <message>
   <location filename="../../core/findings/playing.py" />
   <source>Run a MIDI cable from whoever is to play it.</source>
   <translation>Führe ein MIDI-Kabel von dem, der es spielen soll.</translation>
  </message>
  <message>
   <location filename="../../core/findings/playing.py" />
   <source>{bank} on channel {channel}, notes {low} to {high}</source>
   <translation>{bank} auf Kanal {channel}, Noten {low} bis {high}</translation>
  </message>
  <message>
   <location filename="../../core/findings/playing.py" />
   <source>Use its {names}.</source>
   <translation>Nimm seinen {names}.</translation>
  </message>
  <message>
   <location filename="../../core/findings/playing.py" />
   <source>Notes go over MIDI: a {medium} cable carries none.</source>
   <translation>Noten gehen über MIDI: ein Kabel für {medium} trägt keine.</translation>
  </message>
  <message>
   <location filename="../../core/findings/playing.py" />
   <source>Lead it through Grebe, with a route that goes by position.</source>
   <translation>Führe es durch Grebe, mit einer Route nach Lage der Pads.</translation>
  </message>
  <message>
   <location filename="../../core/findings/playing.py" />
   <source>{origin} counts its pads from one end, {target} from the other.</source>
   <translation>{origin} zählt seine Pads vom einen Ende, {target} vom anderen.</translation>
  </message>
  <message>
   <location filename="../../core/findings/playing.py" />
   <source>The notes of {origin} and {target} lie {apart} apart.</source>
   <translation>Die Noten von {origin} und {target} liegen {apart} auseinander.</translation>
  </message>
  <message>
   <location filename="../../core/findings/playing.py" />
   <source>Set an offset of {wanted:+d} on one of them{word}.</source>
   <translation>Stell an einem von ihnen{word} einen Versatz von {wanted:+d} ein.</translation>
  </message>
  <message>
   <location filename="../../core/findings/playing.py" />
   <source>Send those on another channel: {banks}.</source>
   <translation>Sende diese auf einem anderen Kanal: {banks}.</translation>
  </message>
  <message>
   <location filename="../../core/findings/playing.py" />
   <source>Play the sounds that matter on the pads that are heard.</source>
   <translation>Spiel die wichtigen Klänge auf den Pads, die gehört werden.</translation>
  </message>
  <message>
   <location filename="../../core/findings/playing.py" />
   <source>Switch notes on at {at}{word}.</source>
   <translation>Schalte Noten an {at}{word} ein.</translation>
  </message>
  <message>
   <location filename="../../core/findings/playing.py" />
   <source>No notes come to {target} over the cable from {source} that is to play it.</source>
   <translation>Über das Kabel von {source}, das {target} spielen soll, kommen keine Noten.</translation>
  </message>
  <message>
   <location filename="../../core/findings/playing.py" />
   <source>{target} stays silent.</source>
   <translation>{target} bleibt stumm.</translation>
  </message>
  <message>
   <location filename="../../core/findings/playing.py" />
   <source>octave</source>
   <translation>Oktave</translation>
  </message>
  <message>
   <location filename="../../core/findings/playing.py" />
   <source>octaves</source>
   <translation>Oktaven</translation>
  </message>
  <message>
   <location filename="../../core/findings/playing.py" />
   <source>semitone</source>
   <translation>Halbton</translation>
  </message>
  <message>
   <location filename="../../core/findings/playing.py" />
   <source>semitones</source>
   <translation>Halbtöne</translation>
  </message>
  <message>
   <location filename="../../core/findings/playing.py" />
   <source>{count} pads</source>
   <translation>{count} Pads</translation>
  </message>
  <message>
   <location filename="../../core/findings/playing.py" />
   <source>{out_of} is to give {what}; it can only give {can}.</source>
   <translation>{out_of} soll {what} geben; möglich ist nur {can}.</translation>
  </message>
  <message>
   <location filename="../../core/findings/playing.py" />
   <source>{name} gets nothing of the rest.</source>
   <translation>{name} bekommt vom Übrigen nichts.</translation>
  </message>
  <message>
   <location filename="../../core/findings/playing.py" />
   <source>{origin} plays {target} on channel {channel}; {target} listens on {on}.</source>
   <translation>{origin} spielt {target} auf Kanal {channel}; {target} hört auf {on}.</translation>
  </message>
  <message>
   <location filename="../../core/findings/playing.py" />
   <source>Let {origin} send on channel {wanted}{word}.</source>
   <translation>Lass {origin} auf Kanal {wanted} senden{word}.</translation>
  </message>
  <message>
   <location filename="../../core/findings/playing.py" />
   <source>A pad struck here sounds another there, or none.</source>
   <translation>Ein hier geschlagenes Pad klingt dort als ein anderes oder gar nicht.</translation>
  </message>
  <message>
   <location filename="../../core/findings/playing.py" />
   <source>{lost} of {all} notes of {origin} fall outside what {target} hears: {has}.</source>
   <translation>{lost} von {all} Noten von {origin} liegen außerhalb dessen, was {target} hört: {has}.</translation>
  </message>
  <message>
   <location filename="../../core/findings/playing.py" />
   <source>Those pads are struck and nothing is heard.</source>
   <translation>Diese Pads werden geschlagen, und nichts ist zu hören.</translation>
  </message>
  <message>
   <location filename="../../core/findings/playing.py" />
   <source>{source} is to play {target}, which obeys no notes.</source>
   <translation>{source} soll {target} spielen, das keine Noten befolgt.</translation>
  </message>
  <message>
   <location filename="../../core/findings/playing.py" />
   <source>Let it play patterns of its own, or play it from its own pads.</source>
   <translation>Lass es eigene Patterns spielen oder spiel es auf seinen eigenen Pads.</translation>
  </message>
  <message>
   <location filename="../../core/findings/playing.py" />
   <source>Let {out_of} pass on what comes in{word}.</source>
   <translation>Lass {out_of} weitergeben, was hereinkommt{word}.</translation>
  </message>
  <message>
   <location filename="../../core/findings/playing.py" />
   <source>{out_of} cannot pass on what comes in. {other}</source>
   <translation>{out_of} kann nicht weitergeben, was hereinkommt. {other}</translation>
  </message>
  <message>
   <location filename="../../core/findings/playing.py" />
   <source>Let {out_of} give what {source} plays itself.</source>
   <translation>Lass {out_of} geben, was {source} selbst spielt.</translation>
  </message>
  <message>
   <location filename="../../core/findings/playing.py" />
   <source>{target} sounds every hit of {origin} as loud.</source>
   <translation>{target} klingt bei jedem Schlag von {origin} gleich laut.</translation>
  </message>
  <message>
   <location filename="../../core/findings/playing.py" />
   <source>Accents and soft hits are lost on it.</source>
   <translation>Akzente und leise Schläge gehen dort verloren.</translation>
  </message>
  <message>
   <location filename="../../core/findings/playing.py" />
   <source>Write accents as other sounds, or move its level by a controller.</source>
   <translation>Schreib Akzente als andere Klänge oder beweg seinen Pegel mit einem Controller.</translation>
  </message>
  <message>
   <location filename="../../core/findings/playing.py" />
   <source>{device} plays what {origin} strikes for {names}: both listen on channel {channel}.</source>
   <translation>{device} spielt mit, was {origin} für {names} schlägt: beide hören auf Kanal {channel}.</translation>
  </message>
  <message>
   <location filename="../../core/findings/playing.py" />
   <source>Every hit sounds on both.</source>
   <translation>Jeder Schlag klingt auf beiden.</translation>
  </message>
  <message>
   <location filename="../../core/findings/playing.py" />
   <source>Ignore notes at {into}{ignore} and pass them on at {out_of}{thru}; or say on the cable that they are to play {device}.</source>
   <translation>Ignoriere Noten an {into}{ignore} und gib sie an {out_of}{thru} weiter; oder sag am Kabel, dass sie {device} spielen sollen.</translation>
  </message>
  <message>
   <location filename="../../core/findings/plugs.py" />
   <source>Measure the level before plugging; old gear and the mains are for a qualified technician, and the venue's rules come first.</source>
   <translation>Vor dem Einstecken den Pegel messen; altes Gerät und Netzstrom sind Sache einer Fachkraft, und die Regeln des Hauses gehen vor.</translation>
  </message>
  <message>
   <location filename="../../core/findings/plugs.py" />
   <source>The cable is {medium}, the jack {known} is {kind_words}</source>
   <translation>Das Kabel ist {medium}, die Buchse {known} ist {kind_words}</translation>
  </message>
  <message>
   <location filename="../../core/findings/plugs.py" />
   <source>MIDI on DIN</source>
   <translation>MIDI über DIN</translation>
  </message>
  <message>
   <location filename="../../core/findings/plugs.py" />
   <source>MIDI inside a computer</source>
   <translation>MIDI im Computer</translation>
  </message>
  <message>
   <location filename="../../core/findings/plugs.py" />
   <source>DIN sync</source>
   <translation>DIN-Sync</translation>
  </message>
  <message>
   <location filename="../../core/findings/plugs.py" />
   <source>Choose a jack of the same kind at both ends.</source>
   <translation>An beiden Enden eine Buchse derselben Art wählen.</translation>
  </message>
  <message>
   <location filename="../../core/findings/plugs.py" />
   <source>{out_of} is an input</source>
   <translation>{out_of} ist ein Eingang</translation>
  </message>
  <message>
   <location filename="../../core/findings/plugs.py" />
   <source>{into} is an output</source>
   <translation>{into} ist ein Ausgang</translation>
  </message>
  <message>
   <location filename="../../core/findings/plugs.py" />
   <source>{out_of} is {kind_words}, {into} is </source>
   <translation>{out_of} ist {kind_words}, {into} ist </translation>
  </message>
  <message>
   <location filename="../../core/findings/plugs.py" />
   <source>Put a USB MIDI host between them, or use the DIN jacks.</source>
   <translation>Einen USB-MIDI-Host dazwischensetzen, oder die DIN-Buchsen nehmen.</translation>
  </message>
  <message>
   <location filename="../../core/findings/plugs.py" />
   <source>Put a converter between them that turns MIDI clock into pulses, or use Grebe's.</source>
   <translation>Einen Wandler dazwischensetzen, der aus MIDI-Clock Pulse macht, oder den von Grebe nehmen.</translation>
  </message>
  <message>
   <location filename="../../core/findings/plugs.py" />
   <source>merge box</source>
   <translation>Merge-Box</translation>
  </message>
  <message>
   <location filename="../../core/findings/plugs.py" />
   <source>Pulses from {out_of} go into {into}.</source>
   <translation>Pulse von {out_of} gehen in {into}.</translation>
  </message>
  <message>
   <location filename="../../core/findings/plugs.py" />
   <source>A pulse track is full level and no music: it harms speakers and ears.</source>
   <translation>Eine Pulsspur ist voller Pegel und keine Musik: sie schadet Lautsprechern und Ohren.</translation>
  </message>
  <message>
   <location filename="../../core/findings/plugs.py" />
   <source>Take it off the audio path; a pulse output has its own cable and level.</source>
   <translation>Vom Audioweg nehmen; ein Pulsausgang hat sein eigenes Kabel und seinen eigenen Pegel.</translation>
  </message>
  <message>
   <location filename="../../core/findings/plugs.py" />
   <source>{wrong}: they do not fit.</source>
   <translation>{wrong}: das passt nicht zusammen.</translation>
  </message>
  <message>
   <location filename="../../core/findings/plugs.py" />
   <source>Nothing gets through, or nothing that means anything.</source>
   <translation>Nichts kommt durch, oder nichts, das etwas bedeutet.</translation>
  </message>
  <message>
   <location filename="../../core/findings/plugs.py" />
   <source>{out_of} gives {gives:g} V, {into} bears {bears:g} V.</source>
   <translation>{out_of} gibt {gives:g} V, {into} verträgt {bears:g} V.</translation>
  </message>
  <message>
   <location filename="../../core/findings/plugs.py" />
   <source>Too high a level can break the input for good.</source>
   <translation>Ein zu hoher Pegel kann den Eingang für immer zerstören.</translation>
  </message>
  <message>
   <location filename="../../core/findings/plugs.py" />
   <source>Put a level converter or divider between them. {voltage_care}</source>
   <translation>Einen Pegelwandler oder Teiler dazwischensetzen. {voltage_care}</translation>
  </message>
  <message>
   <location filename="../../core/findings/plugs.py" />
   <source>{out_of} counts on its {edge} edge, {into} on its {edge2}.</source>
   <translation>{out_of} zählt auf der Flanke {edge}, {into} auf {edge2}.</translation>
  </message>
  <message>
   <location filename="../../core/findings/plugs.py" />
   <source>Every pulse comes late by the pulse's width, and Start misses the first.</source>
   <translation>Jeder Puls kommt um die Pulsbreite zu spät, und Start verpasst den ersten.</translation>
  </message>
  <message>
   <location filename="../../core/findings/plugs.py" />
   <source>Turn the polarity over at one end, or put an inverter between them.</source>
   <translation>Die Polarität an einem Ende umdrehen, oder einen Inverter dazwischensetzen.</translation>
  </message>
  <message>
   <location filename="../../core/findings/plugs.py" />
   <source>{into} gets pulses without a run/stop line.</source>
   <translation>{into} bekommt Pulse ohne Start-Stopp-Leitung.</translation>
  </message>
  <message>
   <location filename="../../core/findings/plugs.py" />
   <source>DIN sync starts and stops by that line: without it the box stays still, or runs as long as pulses come.</source>
   <translation>DIN-Sync startet und hält durch diese Leitung: ohne sie bleibt das Gerät still, oder läuft, solange Pulse kommen.</translation>
  </message>
  <message>
   <location filename="../../core/findings/plugs.py" />
   <source>Use an output with a run line, or press start on the box by hand.</source>
   <translation>Einen Ausgang mit Laufleitung nehmen, oder am Gerät von Hand starten.</translation>
  </message>
  <message>
   <location filename="../../core/findings/plugs.py" />
   <source>{out_of} gives {gives:g} V, {into} needs {needs:g} V.</source>
   <translation>{out_of} gibt {gives:g} V, {into} braucht {needs:g} V.</translation>
  </message>
  <message>
   <location filename="../../core/findings/plugs.py" />
   <source>It misses pulses or counts none at all, and differently when it is warm.</source>
   <translation>Es verpasst Pulse oder zählt keine, und warm anders als kalt.</translation>
  </message>
  <message>
   <location filename="../../core/findings/plugs.py" />
   <source>Put a level converter between them. {voltage_care}</source>
   <translation>Einen Pegelwandler dazwischensetzen. {voltage_care}</translation>
  </message>
  <message>
   <location filename="../../core/findings/plugs.py" />
   <source>{device} is number {count} of a thru chain: {listed}.</source>
   <translation>{device} ist das {count}. einer Thru-Kette: {listed}.</translation>
  </message>
  <message>
   <location filename="../../core/findings/plugs.py" />
   <source>Every thru wears the signal down; at the end of a long chain notes get lost.</source>
   <translation>Jedes Thru nutzt das Signal ab; am Ende einer langen Kette gehen Noten verloren.</translation>
  </message>
  <message>
   <location filename="../../core/findings/plugs.py" />
   <source>Feed {device} from a thru box or an output of its own.</source>
   <translation>{device} aus einer Thru-Box oder einem eigenen Ausgang speisen.</translation>
  </message>
  <message>
   <location filename="../../core/findings/plugs.py" />
   <source>{notes} notes fall together on the wire to {name} in {scene}: spread over {spread:.1f} ms.</source>
   <translation>{notes} Noten fallen auf der Leitung zu {name} in {scene} zusammen: über {spread:.1f} ms verteilt.</translation>
  </message>
  <message>
   <location filename="../../core/findings/plugs.py" />
   <source>A DIN wire takes 0.96 ms a note; the last sounds audibly after the first.</source>
   <translation>Eine DIN-Leitung braucht 0,96 ms je Note; die letzte klingt hörbar nach der ersten.</translation>
  </message>
  <message>
   <location filename="../../core/findings/plugs.py" />
   <source>A cable ends at {end}, which is not in the rig.</source>
   <translation>Ein Kabel endet bei {end}, das nicht im Rig ist.</translation>
  </message>
  <message>
   <location filename="../../core/findings/plugs.py" />
   <source>Remove the cable, or add the device.</source>
   <translation>Das Kabel entfernen, oder das Gerät hinzufügen.</translation>
  </message>
  <message>
   <location filename="../../core/findings/plugs.py" />
   <source>A cable uses a jack {jack_id} that {device} does not have.</source>
   <translation>Ein Kabel benutzt eine Buchse {jack_id}, die {device} nicht hat.</translation>
  </message>
  <message>
   <location filename="../../core/findings/plugs.py" />
   <source>Nobody can say whether it fits.</source>
   <translation>Niemand kann sagen, ob es passt.</translation>
  </message>
  <message>
   <location filename="../../core/findings/plugs.py" />
   <source>Choose another jack for the cable.</source>
   <translation>Eine andere Buchse für das Kabel wählen.</translation>
  </message>
  <message>
   <location filename="../../core/findings/plugs.py" />
   <source>{count} cables meet at {name}'s {jack}: {others}.</source>
   <translation>{count} Kabel treffen sich an {jack} von {name}: {others}.</translation>
  </message>
  <message>
   <location filename="../../core/findings/plugs.py" />
   <source>One jack takes one plug.</source>
   <translation>Eine Buchse nimmt einen Stecker.</translation>
  </message>
  <message>
   <location filename="../../core/findings/plugs.py" />
   <source>Put a {what} there, or use another jack.</source>
   <translation>Dort {what} hinsetzen, oder eine andere Buchse nehmen.</translation>
  </message>
  <message>
   <location filename="../../core/findings/plugs.py" />
   <source>Give {listed} wires of their own, or use USB.</source>
   <translation>{listed} eigene Leitungen geben, oder USB nehmen.</translation>
  </message>
  <message>
   <location filename="../../core/findings/plugs.py" />
   <source>Use USB, or move some of them by a few ms.</source>
   <translation>USB nehmen oder einige davon um ein paar ms verschieben.</translation>
  </message>
  <message>
   <location filename="../../core/findings/rates.py" />
   <source>Put {what} between them ({rate} to {wanted}); {by}.</source>
   <translation>Setz {what} dazwischen ({rate} auf {wanted}); {by}.</translation>
  </message>
  <message>
   <location filename="../../core/findings/rates.py" />
   <source>Set {into} to {rate}.</source>
   <translation>{into} auf {rate} stellen.</translation>
  </message>
  <message>
   <location filename="../../core/findings/rates.py" />
   <source>a converter that lets one pulse in {factor} through</source>
   <translation>einen Wandler, der einen von {factor} Pulsen durchlässt</translation>
  </message>
  <message>
   <location filename="../../core/findings/rates.py" />
   <source>{listed} can do it</source>
   <translation>{listed} kann es</translation>
  </message>
  <message>
   <location filename="../../core/findings/rates.py" />
   <source>Grebe's pulse output at {wanted} does it too</source>
   <translation>Grebes Pulsausgang mit {wanted} kann es auch</translation>
  </message>
  <message>
   <location filename="../../core/findings/rates.py" />
   <source>{came} to {rate}</source>
   <translation>{came} zu {rate}</translation>
  </message>
  <message>
   <location filename="../../core/findings/rates.py" />
   <source>Run a reset to {names}: Grebe has one of its own for it.</source>
   <translation>Führe einen Reset zu {names}: Grebe hat einen eigenen dafür.</translation>
  </message>
  <message>
   <location filename="../../core/findings/rates.py" />
   <source>Plug its clock in while everything stands, and begin with the first pulse.</source>
   <translation>Steck seine Clock ein, während alles steht, und beginn mit dem ersten Impuls.</translation>
  </message>
  <message>
   <location filename="../../core/findings/rates.py" />
   <source>Set {out_of} to {wanted}.</source>
   <translation>{out_of} auf {wanted} stellen.</translation>
  </message>
  <message>
   <location filename="../../core/findings/rates.py" />
   <source>a converter that multiplies by {factor}</source>
   <translation>einen Wandler, der mit {factor} vervielfacht</translation>
  </message>
  <message>
   <location filename="../../core/findings/rates.py" />
   <source>a converter that makes a clock of its own from the tempo</source>
   <translation>einen Wandler, der aus dem Tempo eine eigene Clock macht</translation>
  </message>
  <message>
   <location filename="../../core/findings/rates.py" />
   <source>{name} gives {name2} {rate_words} where it counts on {rate_words2}.</source>
   <translation>{name} gibt {name2} {rate_words}, wo es auf {rate_words2} zählt.</translation>
  </message>
  <message>
   <location filename="../../core/findings/rates.py" />
   <source>It runs at {float:g} times the tempo.</source>
   <translation>Es läuft mit dem {float:g}-fachen Tempo.</translation>
  </message>
  <message>
   <location filename="../../core/findings/rates.py" />
   <source>{out_of} is set to {rate} a quarter; of what comes in it makes {can}.</source>
   <translation>{out_of} ist auf {rate} je Viertel gestellt; aus dem, was hereinkommt, macht es {can}.</translation>
  </message>
  <message>
   <location filename="../../core/findings/rates.py" />
   <source>What comes out for {name} is not the tempo.</source>
   <translation>Was für {name} herauskommt, ist nicht das Tempo.</translation>
  </message>
  <message>
   <location filename="../../core/findings/rates.py" />
   <source>Take what {jack} makes, or another output.</source>
   <translation>Nimm, was {jack} macht, oder einen anderen Ausgang.</translation>
  </message>
  <message>
   <location filename="../../core/findings/rates.py" />
   <source>{out_of} counts pulses, and nothing begins its count anew.</source>
   <translation>{out_of} zählt Impulse, und nichts lässt es neu zählen.</translation>
  </message>
  <message>
   <location filename="../../core/findings/rates.py" />
   <source>After the next Start, {name} may come in on any pulse but the first.</source>
   <translation>Nach dem nächsten Start kann {name} auf irgendeinem Impuls einsetzen, nur nicht auf dem ersten.</translation>
  </message>
  <message>
   <location filename="../../core/findings/rates.py" />
   <source>{device} only divides, and cannot make {words} a quarter.</source>
   <translation>{device} teilt nur und kann keine {words} je Viertel machen.</translation>
  </message>
  <message>
   <location filename="../../core/findings/rates.py" />
   <source>Use a converter that makes a clock of its own, or Grebe's pulse output.</source>
   <translation>Einen Wandler mit eigener Clock nehmen, oder Grebes Pulsausgang.</translation>
  </message>
  <message>
   <location filename="../../core/findings/rates.py" />
   <source>{device} multiplies pulses for {name}: {words} a quarter.</source>
   <translation>{device} vervielfacht Pulse für {name}: {words} je Viertel.</translation>
  </message>
  <message>
   <location filename="../../core/findings/rates.py" />
   <source>It has to wait for the next pulse: it starts a pulse late, and follows tempo changes late.</source>
   <translation>Es muss auf den nächsten Puls warten: es beginnt einen Puls zu spät und folgt Tempowechseln spät.</translation>
  </message>
  <message>
   <location filename="../../core/findings/rates.py" />
   <source>Give {name} its clock from a faster source.</source>
   <translation>{name} die Clock von einer schnelleren Quelle geben.</translation>
  </message>
  <message>
   <location filename="../../core/findings/scenes.py" />
   <source>give it to Grebe: the box obeys program changes</source>
   <translation>Grebe überlassen: das Gerät gehorcht Programmwechseln</translation>
  </message>
  <message>
   <location filename="../../core/findings/scenes.py" />
   <source>pre-set it in peace</source>
   <translation>in Ruhe vorher einstellen</translation>
  </message>
  <message>
   <location filename="../../core/findings/scenes.py" />
   <source>make it a bar earlier</source>
   <translation>einen Takt früher machen</translation>
  </message>
  <message>
   <location filename="../../core/findings/scenes.py" />
   <source>leave it out, or make the scene before longer</source>
   <translation>weglassen, oder die Szene davor verlängern</translation>
  </message>
  <message>
   <location filename="../../core/findings/scenes.py" />
   <source>Scene {scene} has a part for {device}, which is not in the rig.</source>
   <translation>Szene {scene} hat einen Teil für {device}, das nicht im Rig ist.</translation>
  </message>
  <message>
   <location filename="../../core/findings/scenes.py" />
   <source>That part stays silent.</source>
   <translation>Dieser Teil bleibt still.</translation>
  </message>
  <message>
   <location filename="../../core/findings/scenes.py" />
   <source>Add the device, or take the part out of the scene.</source>
   <translation>Das Gerät hinzufügen, oder den Teil aus der Szene nehmen.</translation>
  </message>
  <message>
   <location filename="../../core/findings/scenes.py" />
   <source>Scene {scene} asks {device} for pattern {pattern_id}, which is not there.</source>
   <translation>Szene {scene} verlangt von {device} das Pattern {pattern_id}, das es nicht gibt.</translation>
  </message>
  <message>
   <location filename="../../core/findings/scenes.py" />
   <source>{device} falls silent where the scene begins.</source>
   <translation>{device} verstummt, wo die Szene beginnt.</translation>
  </message>
  <message>
   <location filename="../../core/findings/scenes.py" />
   <source>Choose another pattern in the scene, or bring this one back.</source>
   <translation>In der Szene ein anderes Pattern wählen, oder dieses zurückholen.</translation>
  </message>
  <message>
   <location filename="../../core/findings/scenes.py" />
   <source>Scene {scene} gives {device} the pattern {pattern}, which belongs to {owner}.</source>
   <translation>Szene {scene} gibt {device} das Pattern {pattern}, das {owner} gehört.</translation>
  </message>
  <message>
   <location filename="../../core/findings/scenes.py" />
   <source>Its notes mean something else on this box.</source>
   <translation>Seine Noten bedeuten auf diesem Gerät etwas anderes.</translation>
  </message>
  <message>
   <location filename="../../core/findings/scenes.py" />
   <source>Copy the pattern to {device} first.</source>
   <translation>Das Pattern erst zu {device} kopieren.</translation>
  </message>
  <message>
   <location filename="../../core/findings/scenes.py" />
   <source>From {before} to {after} your hands cannot make every move in time: {names} is left over.</source>
   <translation>Von {before} zu {after} schaffen deine Hände nicht jeden Griff rechtzeitig: {names} bleibt übrig.</translation>
  </message>
  <message>
   <location filename="../../core/findings/scenes.py" />
   <source>{hands} hands and {feet} free feet have to do it all in the bar before.</source>
   <translation>{hands} Hände und {feet} freie Füße müssen alles im Takt davor tun.</translation>
  </message>
  <message>
   <location filename="../../core/findings/scenes.py" />
   <source>{below} or {value}</source>
   <translation>{below} oder {value}</translation>
  </message>
  <message>
   <location filename="../../core/findings/scenes.py" />
   <source>no half or double of it fits</source>
   <translation>weder Hälfte noch Doppeltes passt</translation>
  </message>
  <message>
   <location filename="../../core/findings/scenes.py" />
   <source>{fitted:.0f} ms fits</source>
   <translation>{fitted:.0f} ms passt</translation>
  </message>
  <message>
   <location filename="../../core/findings/scenes.py" />
   <source> or </source>
   <translation> oder </translation>
  </message>
  <message>
   <location filename="../../core/findings/scenes.py" />
   <source>A scene needs {pattern} on {device}, but it has no slot there.</source>
   <translation>Eine Szene braucht {pattern} auf {device}, aber es hat dort keinen Platz.</translation>
  </message>
  <message>
   <location filename="../../core/findings/scenes.py" />
   <source>Grebe can only ask {device} for patterns by their program number.</source>
   <translation>Grebe kann {device} nur mit Programmnummern um Patterns bitten.</translation>
  </message>
  <message>
   <location filename="../../core/findings/scenes.py" />
   <source>Give the pattern a slot.</source>
   <translation>Dem Pattern einen Platz geben.</translation>
  </message>
  <message>
   <location filename="../../core/findings/scenes.py" />
   <source>{scene} wants loop track {max} of {device}, which has {value}.</source>
   <translation>{scene} will Loop-Spur {max} von {device}, das {value} hat.</translation>
  </message>
  <message>
   <location filename="../../core/findings/scenes.py" />
   <source>There is nothing to start.</source>
   <translation>Dort ist nichts zu starten.</translation>
  </message>
  <message>
   <location filename="../../core/findings/scenes.py" />
   <source>Choose a track it has.</source>
   <translation>Eine Spur wählen, die es hat.</translation>
  </message>
  <message>
   <location filename="../../core/findings/scenes.py" />
   <source>{pattern} on {device} is {box_status}.</source>
   <translation>{pattern} auf {device} ist {box_status}.</translation>
  </message>
  <message>
   <location filename="../../core/findings/scenes.py" />
   <source>{device} plays what is in its own memory, not what is drawn here.</source>
   <translation>{device} spielt, was in seinem eigenen Speicher ist, nicht was hier gezeichnet ist.</translation>
  </message>
  <message>
   <location filename="../../core/findings/scenes.py" />
   <source>Key it in on the box, then mark it as in the box.</source>
   <translation>Am Gerät eingeben, dann als im Gerät markieren.</translation>
  </message>
  <message>
   <location filename="../../core/findings/scenes.py" />
   <source>{names} on {device} does not go evenly into the {bars} bars of {scene}: its last round is cut after {cut:g} quarter notes.</source>
   <translation>{names} auf {device} geht nicht glatt in die {bars} Takte von {scene} auf: die letzte Runde wird nach {cut:g} Vierteln abgeschnitten.</translation>
  </message>
  <message>
   <location filename="../../core/findings/scenes.py" />
   <source>The next scene comes in in the middle of it.</source>
   <translation>Die nächste Szene setzt mitten darin ein.</translation>
  </message>
  <message>
   <location filename="../../core/findings/scenes.py" />
   <source>Make the scene {lengths} bars, change the pattern's length, or keep the cut.</source>
   <translation>Die Szene {lengths} Takte lang machen, die Länge des Patterns ändern, oder den Schnitt behalten.</translation>
  </message>
  <message>
   <location filename="../../core/findings/scenes.py" />
   <source>{echo} at {bpm:g} BPM is {exact:.0f} ms; {device} goes from {low:g} to {high:g} ms: {told}.</source>
   <translation>{echo} bei {bpm:g} BPM ist {exact:.0f} ms; {device} geht von {low:g} bis {high:g} ms: {told}.</translation>
  </message>
  <message>
   <location filename="../../core/findings/scenes.py" />
   <source>The echo would stand at another time than the music.</source>
   <translation>Das Echo stünde in anderer Zeit als die Musik.</translation>
  </message>
  <message>
   <location filename="../../core/findings/scenes.py" />
   <source>Take the half or double, or another note value.</source>
   <translation>Die Hälfte oder das Doppelte nehmen, oder einen anderen Notenwert.</translation>
  </message>
  <message>
   <location filename="../../core/findings/sets.py" />
   <source>{before} to {song}</source>
   <translation>{before} zu {song}</translation>
  </message>
  <message>
   <location filename="../../core/findings/sets.py" />
   <source>{name}, which has nothing that can be played</source>
   <translation>{name}, worin nichts spielbar ist</translation>
  </message>
  <message>
   <location filename="../../core/findings/sets.py" />
   <source>the song {song}, which is not there</source>
   <translation>den Song {song}, den es nicht gibt</translation>
  </message>
  <message>
   <location filename="../../core/findings/sets.py" />
   <source>From {names} the metre goes from {first} to {second} without a stop.</source>
   <translation>Von {names} geht die Taktart ohne Halt von {first} zu {second}.</translation>
  </message>
  <message>
   <location filename="../../core/findings/sets.py" />
   <source>Boxes that count bars of their own go on counting the old ones.</source>
   <translation>Geräte, die selbst Takte zählen, zählen die alten weiter.</translation>
  </message>
  <message>
   <location filename="../../core/findings/sets.py" />
   <source>Let it come in after a stop, or check that each box takes the new metre.</source>
   <translation>Nach einem Halt einsetzen lassen, oder prüfen, dass jedes Gerät die neue Taktart nimmt.</translation>
  </message>
  <message>
   <location filename="../../core/findings/sets.py" />
   <source>From {names} the keys do not fit: {key_words}.</source>
   <translation>Von {names} passen die Tonarten nicht: {key_words}.</translation>
  </message>
  <message>
   <location filename="../../core/findings/sets.py" />
   <source>What still sounds of one is heard against the other.</source>
   <translation>Was vom einen noch klingt, hört man gegen das andere.</translation>
  </message>
  <message>
   <location filename="../../core/findings/sets.py" />
   <source>Transpose it ({match}), let drums alone go over, or stop between them.</source>
   <translation>Transponieren ({match}), nur Drums hinübergehen lassen, oder dazwischen anhalten.</translation>
  </message>
  <message>
   <location filename="../../core/findings/sets.py" />
   <source>a pass of {scene}</source>
   <translation>ein Durchgang von {scene}</translation>
  </message>
  <message>
   <location filename="../../core/findings/sets.py" />
   <source>Place {place} of {running} names {what}.</source>
   <translation>Platz {place} von {running} nennt {what}.</translation>
  </message>
  <message>
   <location filename="../../core/findings/sets.py" />
   <source>The set goes on without it: you would wait for a song that does not come.</source>
   <translation>Das Set geht ohne ihn weiter: du würdest auf einen Song warten, der nicht kommt.</translation>
  </message>
  <message>
   <location filename="../../core/findings/sets.py" />
   <source>Choose another song for the place, or take it out.</source>
   <translation>Einen anderen Song für den Platz wählen, oder ihn herausnehmen.</translation>
  </message>
  <message>
   <location filename="../../core/findings/sets.py" />
   <source>{running} is {over:.0f} s longer than its slot.</source>
   <translation>{running} ist {over:.0f} s länger als seine Spielzeit.</translation>
  </message>
  <message>
   <location filename="../../core/findings/sets.py" />
   <source>The end is cut off by somebody else.</source>
   <translation>Das Ende schneidet ein anderer ab.</translation>
  </message>
  <message>
   <location filename="../../core/findings/sets.py" />
   <source>From {names}: {between_words}</source>
   <translation>Von {names}: {between_words}</translation>
  </message>
  <message>
   <location filename="../../core/findings/sets.py" />
   <source>The song would begin with a box that is not ready for it.</source>
   <translation>Der Song begänne mit einem Gerät, das nicht bereit ist.</translation>
  </message>
  <message>
   <location filename="../../core/findings/sets.py" />
   <source>Leave more silence, do it one song earlier, let a helper do it, or move the song.</source>
   <translation>Mehr Stille lassen, es einen Song früher tun, einen Helfer lassen, oder den Song verschieben.</translation>
  </message>
  <message>
   <location filename="../../core/findings/sets.py" />
   <source>From {names} the tempo jumps from {bpm_from:g} to {bpm_to:g} BPM on a bar.</source>
   <translation>Von {names} springt das Tempo auf einem Takt von {bpm_from:g} auf {bpm_to:g} BPM.</translation>
  </message>
  <message>
   <location filename="../../core/findings/sets.py" />
   <source>Boxes need a moment to follow, echoes stand at the old time, dancers stumble.</source>
   <translation>Geräte brauchen einen Moment zum Folgen, Echos stehen in der alten Zeit, Tanzende stolpern.</translation>
  </message>
  <message>
   <location filename="../../core/findings/sets.py" />
   <source>Ramp over some bars, go through the half tempo, or let it be the surprise it is.</source>
   <translation>Über einige Takte rampen, über das halbe Tempo gehen, oder es die Überraschung sein lassen, die es ist.</translation>
  </message>
  <message>
   <location filename="../../core/findings/sets.py" />
   <source>Drop {names}.</source>
   <translation>{names} weglassen.</translation>
  </message>
  <message>
   <location filename="../../core/findings/sets.py" />
   <source>Take a song out, or shorten one.</source>
   <translation>Einen Song herausnehmen, oder einen kürzen.</translation>
  </message>
  <message>
   <location filename="../../core/findings/sets.py" />
   <source>{running} has no songs.</source>
   <translation>{running} hat keine Songs.</translation>
  </message>
  <message>
   <location filename="../../core/findings/sets.py" />
   <source>There is nothing to play.</source>
   <translation>Es gibt nichts zu spielen.</translation>
  </message>
  <message>
   <location filename="../../core/findings/sets.py" />
   <source>Put a song into it, in Set.</source>
   <translation>Im Set einen Song hineinsetzen.</translation>
  </message>
  <message>
   <location filename="../../core/findings/songs.py" />
   <source>bar {value}</source>
   <translation>Takt {value}</translation>
  </message>
  <message>
   <location filename="../../core/findings/songs.py" />
   <source>sixteenth</source>
   <translation>Sechzehntel</translation>
  </message>
  <message>
   <location filename="../../core/findings/songs.py" />
   <source>sixteenths</source>
   <translation>Sechzehntel</translation>
  </message>
  <message>
   <location filename="../../core/findings/songs.py" />
   <source>0 passes</source>
   <translation>0 Durchgänge</translation>
  </message>
  <message>
   <location filename="../../core/findings/songs.py" />
   <source>a scene of 0 bars</source>
   <translation>eine Szene von 0 Takten</translation>
  </message>
  <message>
   <location filename="../../core/findings/songs.py" />
   <source>{song}, section {number}, names the scene {scene}, which is not there.</source>
   <translation>{song}, Abschnitt {number}, nennt die Szene {scene}, die es nicht gibt.</translation>
  </message>
  <message>
   <location filename="../../core/findings/songs.py" />
   <source>The song cannot be laid out, so it cannot be played.</source>
   <translation>Der Song lässt sich nicht auslegen, also nicht spielen.</translation>
  </message>
  <message>
   <location filename="../../core/findings/songs.py" />
   <source>Choose another scene for the section, or remove it.</source>
   <translation>Für den Abschnitt eine andere Szene wählen, oder ihn entfernen.</translation>
  </message>
  <message>
   <location filename="../../core/findings/songs.py" />
   <source>{song}, section {number} ({name}), has {what}.</source>
   <translation>{song}, Abschnitt {number} ({name}), hat {what}.</translation>
  </message>
  <message>
   <location filename="../../core/findings/songs.py" />
   <source>It is left out when the song plays.</source>
   <translation>Er wird ausgelassen, wenn der Song spielt.</translation>
  </message>
  <message>
   <location filename="../../core/findings/songs.py" />
   <source>Give it a length, or remove it.</source>
   <translation>Ihm eine Länge geben, oder ihn entfernen.</translation>
  </message>
  <message>
   <location filename="../../core/findings/songs.py" />
   <source>{song}, section {number} ({name}), jumps to {value}, which is not there.</source>
   <translation>{song}, Abschnitt {number} ({name}), springt zu {value}, das es nicht gibt.</translation>
  </message>
  <message>
   <location filename="../../core/findings/songs.py" />
   <source>It goes on with the next section instead.</source>
   <translation>Es geht stattdessen mit dem nächsten Abschnitt weiter.</translation>
  </message>
  <message>
   <location filename="../../core/findings/songs.py" />
   <source>Choose where it jumps to, or let it go on.</source>
   <translation>Wählen, wohin er springt, oder ihn weitergehen lassen.</translation>
  </message>
  <message>
   <location filename="../../core/findings/songs.py" />
   <source>a mute</source>
   <translation>ein Mute</translation>
  </message>
  <message>
   <location filename="../../core/findings/songs.py" />
   <source>a fill</source>
   <translation>ein Fill</translation>
  </message>
  <message>
   <location filename="../../core/findings/songs.py" />
   <source>a swap</source>
   <translation>ein Tausch</translation>
  </message>
  <message>
   <location filename="../../core/findings/songs.py" />
   <source>the marker {m}</source>
   <translation>die Marke {m}</translation>
  </message>
  <message>
   <location filename="../../core/findings/songs.py" />
   <source>a controller curve</source>
   <translation>eine Controller-Kurve</translation>
  </message>
  <message>
   <location filename="../../core/findings/songs.py" />
   <source>a tempo change</source>
   <translation>ein Tempowechsel</translation>
  </message>
  <message>
   <location filename="../../core/findings/songs.py" />
   <source>{scene} at bar {bar} of {song} is a build, and its end has no more energy than its beginning.</source>
   <translation>{scene} bei Takt {bar} von {song} ist ein Aufbau, und sein Ende hat nicht mehr Energie als sein Anfang.</translation>
  </message>
  <message>
   <location filename="../../core/findings/songs.py" />
   <source>What follows it comes without a rise.</source>
   <translation>Was folgt, kommt ohne Anstieg.</translation>
  </message>
  <message>
   <location filename="../../core/findings/songs.py" />
   <source>Bring voices in one after another, or shorten the build.</source>
   <translation>Stimmen nacheinander hereinbringen, oder den Aufbau kürzen.</translation>
  </message>
  <message>
   <location filename="../../core/findings/songs.py" />
   <source>A hook is remembered when it comes back, often played twice.</source>
   <translation>Eine Hook bleibt im Ohr, wenn sie wiederkommt, oft zweimal gespielt.</translation>
  </message>
  <message>
   <location filename="../../core/findings/songs.py" />
   <source>A hook is everything together.</source>
   <translation>Eine Hook ist alles zusammen.</translation>
  </message>
  <message>
   <location filename="../../core/findings/songs.py" />
   <source>Its memory cannot hold the song so.</source>
   <translation>Sein Speicher kann den Song so nicht halten.</translation>
  </message>
  <message>
   <location filename="../../core/findings/songs.py" />
   <source>shorten the song for it, or let Grebe play it</source>
   <translation>den Song dafür kürzen, oder Grebe ihn spielen lassen</translation>
  </message>
  <message>
   <location filename="../../core/findings/songs.py" />
   <source>Grebe cannot tell it its patterns while it plays; its memory has to hold them.</source>
   <translation>Grebe kann ihm seine Patterns beim Spielen nicht sagen; sein Speicher muss sie halten.</translation>
  </message>
  <message>
   <location filename="../../core/findings/songs.py" />
   <source>{song} has no sections.</source>
   <translation>{song} hat keine Abschnitte.</translation>
  </message>
  <message>
   <location filename="../../core/findings/songs.py" />
   <source>Add a section to it.</source>
   <translation>Einen Abschnitt hinzufügen.</translation>
  </message>
  <message>
   <location filename="../../core/findings/songs.py" />
   <source>In {song}, a mute at {where} lies over {name}, which is silent there.</source>
   <translation>In {song} liegt ein Mute bei {where} über {name}, das dort still ist.</translation>
  </message>
  <message>
   <location filename="../../core/findings/songs.py" />
   <source>There is nothing to drop.</source>
   <translation>Dort ist nichts wegzunehmen.</translation>
  </message>
  <message>
   <location filename="../../core/findings/songs.py" />
   <source>Move it to where the device plays, or remove it.</source>
   <translation>Dorthin verschieben, wo das Gerät spielt, oder entfernen.</translation>
  </message>
  <message>
   <location filename="../../core/findings/songs.py" />
   <source>Bars {first} to {last} of {song} repeat unchanged for {value} bars.</source>
   <translation>Takt {first} bis {last} von {song} wiederholen sich {value} Takte lang unverändert.</translation>
  </message>
  <message>
   <location filename="../../core/findings/songs.py" />
   <source>A loop that goes round unchanged is what listeners leave for.</source>
   <translation>Ein Loop, der unverändert umläuft, ist das, wovon Hörende weggehen.</translation>
  </message>
  <message>
   <location filename="../../core/findings/songs.py" />
   <source>Add a variation or a mute at bar {value}, or keep it: a voice may carry this part.</source>
   <translation>Bei Takt {value} eine Variation oder ein Mute setzen, oder es lassen: eine Gesangsstimme trägt diesen Teil vielleicht.</translation>
  </message>
  <message>
   <location filename="../../core/findings/songs.py" />
   <source>its hook comes once</source>
   <translation>ihre Hook kommt einmal</translation>
  </message>
  <message>
   <location filename="../../core/findings/songs.py" />
   <source>Bring it in again, after a verse.</source>
   <translation>Sie nach einer Strophe noch einmal bringen.</translation>
  </message>
  <message>
   <location filename="../../core/findings/songs.py" />
   <source>its hook is not the fullest part</source>
   <translation>ihre Hook ist nicht der vollste Teil</translation>
  </message>
  <message>
   <location filename="../../core/findings/songs.py" />
   <source>Bring everything in there.</source>
   <translation>Dort alles hereinbringen.</translation>
  </message>
  <message>
   <location filename="../../core/findings/songs.py" />
   <source>No box plays more than {most} in {song}; the most has {busiest}.</source>
   <translation>Kein Gerät spielt mehr als {most} in {song}; am meisten hat {busiest}.</translation>
  </message>
  <message>
   <location filename="../../core/findings/songs.py" />
   <source>Three to four variations carry a song.</source>
   <translation>Drei bis vier Variationen tragen einen Song.</translation>
  </message>
  <message>
   <location filename="../../core/findings/songs.py" />
   <source>Vary a pattern: in Patterns, A variation of it.</source>
   <translation>Ein Pattern variieren: in Patterns, Eine Variation davon.</translation>
  </message>
  <message>
   <location filename="../../core/findings/songs.py" />
   <source>no section</source>
   <translation>keinen Abschnitt</translation>
  </message>
  <message>
   <location filename="../../core/findings/songs.py" />
   <source>In {song}, {what} in {scene} (bar {bar}) reaches {lost} past its section.</source>
   <translation>In {song} reicht {what} in {scene} (Takt {bar}) {lost} über seinen Abschnitt hinaus.</translation>
  </message>
  <message>
   <location filename="../../core/findings/songs.py" />
   <source>What lies past the end is not used: the next section has its own.</source>
   <translation>Was hinter dem Ende liegt, wird nicht benutzt: der nächste Abschnitt hat sein Eigenes.</translation>
  </message>
  <message>
   <location filename="../../core/findings/songs.py" />
   <source>Shorten it, or make the section longer.</source>
   <translation>Kürzen, oder den Abschnitt verlängern.</translation>
  </message>
  <message>
   <location filename="../../core/findings/songs.py" />
   <source>In {song}, the mute at {where} of {name} is for your hands.</source>
   <translation>In {song} ist das Mute bei {where} von {name} für deine Hände.</translation>
  </message>
  <message>
   <location filename="../../core/findings/songs.py" />
   <source>{name} plays its own pattern, and Grebe has no message that silences {what}.</source>
   <translation>{name} spielt sein eigenes Pattern, und Grebe hat keine Meldung, die {what} stumm schaltet.</translation>
  </message>
  <message>
   <location filename="../../core/findings/songs.py" />
   <source>Make the move on the box, or let Grebe play it.</source>
   <translation>Den Griff am Gerät tun, oder Grebe es spielen lassen.</translation>
  </message>
  <message>
   <location filename="../../core/findings/songs.py" />
   <source>{scene} at bar {bar} of {song} is a drop, and no more sounds in it than before.</source>
   <translation>{scene} bei Takt {bar} von {song} ist ein Drop, und darin klingt nicht mehr als davor.</translation>
  </message>
  <message>
   <location filename="../../core/findings/songs.py" />
   <source>A drop is heard against what was taken away before it.</source>
   <translation>Einen Drop hört man gegen das, was davor weggenommen war.</translation>
  </message>
  <message>
   <location filename="../../core/findings/songs.py" />
   <source>Take something out of the bars before, or bring more in.</source>
   <translation>Etwas aus den Takten davor nehmen, oder mehr hereinbringen.</translation>
  </message>
  <message>
   <location filename="../../core/findings/songs.py" />
   <source>{scene} at bar {bar} of {song} is {bars}; the rest goes in fours.</source>
   <translation>{scene} bei Takt {bar} von {song} hat {bars}; der Rest geht in Vierern.</translation>
  </message>
  <message>
   <location filename="../../core/findings/songs.py" />
   <source>Listeners and players count in fours, and expect the change a little sooner or later.</source>
   <translation>Hörende und Spielende zählen in Vieren und erwarten den Wechsel etwas früher oder später.</translation>
  </message>
  <message>
   <location filename="../../core/findings/songs.py" />
   <source>Make it a multiple of four, or keep it as a surprise.</source>
   <translation>Auf ein Vielfaches von vier bringen, oder als Überraschung lassen.</translation>
  </message>
  <message>
   <location filename="../../core/findings/songs.py" />
   <source>{name} drops without a build or a break before it</source>
   <translation>{name} dropt ohne Aufbau oder Break davor</translation>
  </message>
  <message>
   <location filename="../../core/findings/songs.py" />
   <source>There is nothing to fall from.</source>
   <translation>Es gibt nichts, wovon man fällt.</translation>
  </message>
  <message>
   <location filename="../../core/findings/songs.py" />
   <source>Put a build before it.</source>
   <translation>Einen Aufbau davorsetzen.</translation>
  </message>
  <message>
   <location filename="../../core/findings/songs.py" />
   <source>; or </source>
   <translation>; oder </translation>
  </message>
  <message>
   <location filename="../../core/findings/songs.py" />
   <source>{song} on {device}: {names}.</source>
   <translation>{song} auf {device}: {names}.</translation>
  </message>
  <message>
   <location filename="../../core/findings/songs.py" />
   <source>{song} on {device} is not as on the sheet printed last: {changed}{what}.</source>
   <translation>{song} auf {device} ist nicht wie auf dem zuletzt gedruckten Blatt: {changed}{what}.</translation>
  </message>
  <message>
   <location filename="../../core/findings/songs.py" />
   <source>The box plays what was keyed in from that sheet.</source>
   <translation>Das Gerät spielt, was von jenem Blatt eingegeben wurde.</translation>
  </message>
  <message>
   <location filename="../../core/findings/songs.py" />
   <source>Key in what changed, and print the sheet again.</source>
   <translation>Das Geänderte eingeben und das Blatt neu drucken.</translation>
  </message>
  <message>
   <location filename="../../core/findings/songs.py" />
   <source>{voice} of {pattern} on {device} is silent wherever {song} plays it.</source>
   <translation>{voice} von {pattern} auf {device} ist überall still, wo {song} es spielt.</translation>
  </message>
  <message>
   <location filename="../../core/findings/songs.py" />
   <source>It was written to be heard, and takes a voice of the box.</source>
   <translation>Sie wurde geschrieben, um gehört zu werden, und belegt eine Stimme des Geräts.</translation>
  </message>
  <message>
   <location filename="../../core/findings/songs.py" />
   <source>Let it sound in one scene, or remove it.</source>
   <translation>Sie in einer Szene klingen lassen, oder entfernen.</translation>
  </message>
  <message>
   <location filename="../../core/findings/songs.py" />
   <source>one voice of it</source>
   <translation>eine Stimme davon</translation>
  </message>
  <message>
   <location filename="../../core/findings/songs.py" />
   <source>it</source>
   <translation>es</translation>
  </message>
  <message>
   <location filename="../../core/findings/tracks.py" />
   <source>{place} for {what}</source>
   <translation>{place} für {what}</translation>
  </message>
  <message>
   <location filename="../../core/findings/tracks.py" />
   <source>{first} and {second} of {device} are both on channel {channel}.</source>
   <translation>{first} und {second} von {device} liegen beide auf Kanal {channel}.</translation>
  </message>
  <message>
   <location filename="../../core/findings/tracks.py" />
   <source>Each plays what is meant for the other, and one mute silences both.</source>
   <translation>Jede spielt, was für die andere gedacht ist, und eine Stummschaltung trifft beide.</translation>
  </message>
  <message>
   <location filename="../../core/findings/tracks.py" />
   <source>{scene} wants several places of {device} at once: {shown}.</source>
   <translation>{scene} verlangt mehrere Plätze von {device} zugleich: {shown}.</translation>
  </message>
  <message>
   <location filename="../../core/findings/tracks.py" />
   <source>Its tracks can only be switched together: the first is told, the rest go with it.</source>
   <translation>Seine Spuren lassen sich nur gemeinsam umschalten: der ersten wird es gesagt, die anderen gehen mit.</translation>
  </message>
  <message>
   <location filename="../../core/findings/tracks.py" />
   <source>Give what sounds together one place in the box, or let Grebe play the tracks.</source>
   <translation>Was zusammen klingt, einen Platz im Gerät geben, oder Grebe die Spuren spielen lassen.</translation>
  </message>
  <message>
   <location filename="../../core/findings/tracks.py" />
   <source>In {scene} the tracks of {device} hold {most} notes at once at step {step} ({who}); it sounds {limit}.</source>
   <translation>In {scene} halten die Spuren von {device} bei Schritt {step} {most} Noten zugleich ({who}); es klingen {limit}.</translation>
  </message>
  <message>
   <location filename="../../core/findings/tracks.py" />
   <source>{first} and {other} are both plugged into {port}.</source>
   <translation>{first} und {other} stecken beide in {port}.</translation>
  </message>
  <message>
   <location filename="../../core/findings/tracks.py" />
   <source>One plug has one cable: one clock and one Start go down it, for both.</source>
   <translation>Ein Stecker hat ein Kabel: ein Takt und ein Start gehen hindurch, für beide.</translation>
  </message>
  <message>
   <location filename="../../core/findings/tracks.py" />
   <source>Make {other} a track of {first}, or plug it in behind its thru.</source>
   <translation>{other} zu einer Spur von {first} machen oder hinter dessen Thru stecken.</translation>
  </message>
  <message>
   <location filename="../../core/findings/tracks.py" />
   <source>Set {second} to channel {free}, here and on the box.</source>
   <translation>{second} auf Kanal {free} stellen, hier und am Gerät.</translation>
  </message>
  <message>
   <location filename="../../core/findings/tracks.py" />
   <source>Set {second} to another channel.</source>
   <translation>{second} auf einen anderen Kanal stellen.</translation>
  </message>
  <message>
   <location filename="../../core/findings/tracks.py" />
   <source>{track} of {device} plays {other}, and no cable for notes leads there.</source>
   <translation>{track} von {device} spielt {other}, und kein Kabel für Noten führt dorthin.</translation>
  </message>
  <message>
   <location filename="../../core/findings/tracks.py" />
   <source>Nothing is heard of it.</source>
   <translation>Davon ist nichts zu hören.</translation>
  </message>
  <message>
   <location filename="../../core/findings/tracks.py" />
   <source>Run a cable from {device} to {other}, or say what the track plays.</source>
   <translation>Ein Kabel von {device} zu {other} legen oder sagen, was die Spur spielt.</translation>
  </message>
  <message>
   <location filename="../../core/findings/tracks.py" />
   <source>In {scene} {names} of {device} play at once; they share one voice.</source>
   <translation>In {scene} spielen {names} von {device} zugleich; sie teilen eine Stimme.</translation>
  </message>
  <message>
   <location filename="../../core/findings/tracks.py" />
   <source>Each cuts the other off.</source>
   <translation>Jede schneidet die andere ab.</translation>
  </message>
  <message>
   <location filename="../../core/findings/tracks.py" />
   <source>Mute one of them there, or keep it if that is meant.</source>
   <translation>Eine davon dort stummschalten, oder lassen, wenn es so gemeint ist.</translation>
  </message>
  <message>
   <location filename="../../core/findings/tracks.py" />
   <source>{track} of {device} sends on channel {channel}; {other} listens on {heard}.</source>
   <translation>{track} von {device} sendet auf Kanal {channel}; {other} hört auf {heard}.</translation>
  </message>
  <message>
   <location filename="../../core/findings/tracks.py" />
   <source>{other} does not play what is meant for it.</source>
   <translation>{other} spielt nicht, was dafür gedacht ist.</translation>
  </message>
  <message>
   <location filename="../../core/findings/tracks.py" />
   <source>Set the track to channel {heard}, here and on the box.</source>
   <translation>Die Spur auf Kanal {heard} stellen, hier und am Gerät.</translation>
  </message>
  <message>
   <location filename="../../core/forms.py" />
   <source>there is no {what} {words!r}</source>
   <translation>es gibt kein {what} {words!r}</translation>
  </message>
  <message>
   <location filename="../../core/log/learning.py" />
   <source>{share:.0f} % of the latest were good (95 %: {low:.0f} to {high:.0f})</source>
   <translation>{share:.0f} % der letzten waren gut (95 %: {low:.0f} bis {high:.0f})</translation>
  </message>
  <message>
   <location filename="../../core/log/learning.py" />
   <source>{tries} tries: too few to say.</source>
   <translation>{tries} Versuche: zu wenige, um etwas zu sagen.</translation>
  </message>
  <message>
   <location filename="../../core/log/learning.py" />
   <source>It is ready: {share}.</source>
   <translation>Er sitzt: {share}.</translation>
  </message>
  <message>
   <location filename="../../core/log/learning.py" />
   <source>It is not ready: {share}.</source>
   <translation>Er sitzt nicht: {share}.</translation>
  </message>
  <message>
   <location filename="../../core/log/learning.py" />
   <source>Not sure yet: {share}.</source>
   <translation>Noch nicht sicher: {share}.</translation>
  </message>
  <message>
   <location filename="../../core/log/over_time.py" />
   <source>By itself it is {ms:+.1f} ms late (95 %: {low:+.1f} to {high:+.1f}).</source>
   <translation>Von sich aus ist es {ms:+.1f} ms spät (95 %: {low:+.1f} bis {high:+.1f}).</translation>
  </message>
  <message>
   <location filename="../../core/log/over_time.py" />
   <source>cable</source>
   <translation>Kabel</translation>
  </message>
  <message>
   <location filename="../../core/log/over_time.py" />
   <source>port</source>
   <translation>Port</translation>
  </message>
  <message>
   <location filename="../../core/log/over_time.py" />
   <source>firmware</source>
   <translation>Firmware</translation>
  </message>
  <message>
   <location filename="../../core/log/over_time.py" />
   <source>Measured {count} times: too few to say anything of it.</source>
   <translation>{count}-mal gemessen: zu wenig, um etwas darüber zu sagen.</translation>
  </message>
  <message>
   <location filename="../../core/log/over_time.py" />
   <source>It is later by {rate:+.2f} ms for each BPM faster (95 %: {low:+.2f} to {high:+.2f}).</source>
   <translation>Je BPM schneller ist es um {rate:+.2f} ms später (95 %: {low:+.2f} bis {high:+.2f}).</translation>
  </message>
  <message>
   <location filename="../../core/log/over_time.py" />
   <source>It becomes later by {rate:+.2f} ms a day (95 %: {low:+.2f} to {high:+.2f}).</source>
   <translation>Es wird jeden Tag um {rate:+.2f} ms später (95 %: {low:+.2f} bis {high:+.2f}).</translation>
  </message>
  <message>
   <location filename="../../core/log/over_time.py" />
   <source>It is later by {rate:+.2f} ms for each degree warmer (95 %: {low:+.2f} to {high:+.2f}).</source>
   <translation>Je Grad wärmer ist es um {rate:+.2f} ms später (95 %: {low:+.2f} bis {high:+.2f}).</translation>
  </message>
  <message>
   <location filename="../../core/log/over_time.py" />
   <source>Whether the tempo matters does not show.</source>
   <translation>Ob das Tempo eine Rolle spielt, zeigt sich nicht.</translation>
  </message>
  <message>
   <location filename="../../core/log/over_time.py" />
   <source>{name}: {now}, was {last}</source>
   <translation>{name}: {now}, war {last}</translation>
  </message>
  <message>
   <location filename="../../core/log/tonight.py" />
   <source>{played} played, {planned} written; {songs}</source>
   <translation>{played} gespielt, {planned} geschrieben; {songs}</translation>
  </message>
  <message>
   <location filename="../../core/log/tonight.py" />
   <source>{song}: {scene} went on {more} longer than written.</source>
   <translation>{song}: {scene} ging {more} länger als geschrieben.</translation>
  </message>
  <message>
   <location filename="../../core/log/tonight.py" />
   <source>; {good} of {count} launches and moves in time</source>
   <translation>; {good} von {count} Starts und Handgriffen rechtzeitig</translation>
  </message>
  <message>
   <location filename="../../core/log/tonight.py" />
   <source>time</source>
   <translation>Mal</translation>
  </message>
  <message>
   <location filename="../../core/log/tonight.py" />
   <source>times</source>
   <translation>Mal</translation>
  </message>
  <message>
   <location filename="../../core/log/tonight.py" />
   <source>song</source>
   <translation>Song</translation>
  </message>
  <message>
   <location filename="../../core/log/tonight.py" />
   <source>songs</source>
   <translation>Songs</translation>
  </message>
  <message>
   <location filename="../../core/log/tonight.py" />
   <source>{song}, into {scene}: {what} was missed ({times}).</source>
   <translation>{song}, nach {scene}: {what} blieb aus ({times}).</translation>
  </message>
  <message>
   <location filename="../../core/log/tonight.py" />
   <source>{song}, into {scene}: {what} came {ms:.0f} ms too {verdict} ({times}).</source>
   <translation>{song}, nach {scene}: {what} kam {ms:.0f} ms zu {verdict} ({times}).</translation>
  </message>
  <message>
   <location filename="../../core/log/tonight.py" />
   <source>{what} ({times})</source>
   <translation>{what} ({times})</translation>
  </message>
  <message>
   <location filename="../../core/log/tonight.py" />
   <source>{box} drifted by {rate:+.1f} ms a minute.</source>
   <translation>{box} ist um {rate:+.1f} ms in der Minute gedriftet.</translation>
  </message>
  <message>
   <location filename="../../core/log/tonight.py" />
   <source>{box} was {ms:.0f} ms {late} all the way.</source>
   <translation>{box} war durchweg {ms:.0f} ms {late}.</translation>
  </message>
  <message>
   <location filename="../../core/patterns/capture.py" />
   <source>Controller {number}</source>
   <translation>Controller {number}</translation>
  </message>
  <message>
   <location filename="../../core/patterns/edit.py" />
   <source>the pattern has no voice {voice_id!r}</source>
   <translation>das Pattern hat keine Stimme {voice_id!r}</translation>
  </message>
  <message>
   <location filename="../../core/patterns/edit.py" />
   <source>the pattern has no controller lane {lane_id!r}</source>
   <translation>das Pattern hat keine Controller-Spur {lane_id!r}</translation>
  </message>
  <message>
   <location filename="../../core/patterns/edit.py" />
   <source>step {value} is past the end of {voice}, which has {length} steps</source>
   <translation>Schritt {value} liegt hinter dem Ende von {voice}, das {length} Schritte hat</translation>
  </message>
  <message>
   <location filename="../../core/patterns/edit.py" />
   <source>{voice} has no hit on step {value}</source>
   <translation>{voice} hat keinen Schlag auf Schritt {value}</translation>
  </message>
  <message>
   <location filename="../../core/patterns/edit.py" />
   <source>{voice} would have {length} steps; a voice has {max_steps} at most</source>
   <translation>{voice} hätte {length} Schritte; eine Stimme hat höchstens {max_steps}</translation>
  </message>
  <message>
   <location filename="../../core/patterns/edit.py" />
   <source>{voice} has {length} steps, which has no half</source>
   <translation>{voice} hat {length} Schritte, das hat keine Hälfte</translation>
  </message>
  <message>
   <location filename="../../core/patterns/edit.py" />
   <source>a pattern has {max_steps} steps at most</source>
   <translation>ein Pattern hat höchstens {max_steps} Schritte</translation>
  </message>
  <message>
   <location filename="../../core/patterns/edit.py" />
   <source>the pattern has {length} steps, which has no half</source>
   <translation>das Pattern hat {length} Schritte, das hat keine Hälfte</translation>
  </message>
  <message>
   <location filename="../../core/patterns/edit.py" />
   <source>step {value} is past the end of {lane}, which has {length} steps</source>
   <translation>Schritt {value} liegt hinter dem Ende von {lane}, das {length} Schritte hat</translation>
  </message>
  <message>
   <location filename="../../core/patterns/edit.py" />
   <source>Controller {controller}</source>
   <translation>Controller {controller}</translation>
  </message>
  <message>
   <location filename="../../core/patterns/fields.py" />
   <source>the pattern's</source>
   <translation>wie im Pattern</translation>
  </message>
  <message>
   <location filename="../../core/patterns/fields.py" />
   <source>the device's</source>
   <translation>wie im Gerät</translation>
  </message>
  <message>
   <location filename="../../core/patterns/fields.py" />
   <source>the voice's</source>
   <translation>wie in der Stimme</translation>
  </message>
  <message>
   <location filename="../../core/patterns/fields.py" />
   <source>Note</source>
   <translation>Note</translation>
  </message>
  <message>
   <location filename="../../core/patterns/fields.py" />
   <source>With it, semitones</source>
   <translation>Dazu, Halbtöne</translation>
  </message>
  <message>
   <location filename="../../core/patterns/fields.py" />
   <source>Tied to the next</source>
   <translation>An den nächsten gebunden</translation>
  </message>
  <message>
   <location filename="../../core/patterns/fields.py" />
   <source>Late by</source>
   <translation>Später um</translation>
  </message>
  <message>
   <location filename="../../core/patterns/fields.py" />
   <source>Flam</source>
   <translation>Flam</translation>
  </message>
  <message>
   <location filename="../../core/patterns/fields.py" />
   <source>Strokes</source>
   <translation>Wirbel</translation>
  </message>
  <message>
   <location filename="../../core/patterns/fields.py" />
   <source>Last stroke</source>
   <translation>Letzter Schlag</translation>
  </message>
  <message>
   <location filename="../../core/patterns/fields.py" />
   <source>Value</source>
   <translation>Wert</translation>
  </message>
  <message>
   <location filename="../../core/patterns/fields.py" />
   <source>Glides to the next</source>
   <translation>Gleitet zum nächsten</translation>
  </message>
  <message>
   <location filename="../../core/patterns/fields.py" />
   <source>Sent</source>
   <translation>Gesendet</translation>
  </message>
  <message>
   <location filename="../../core/patterns/fields.py" />
   <source>Spread evenly</source>
   <translation>Gleichmäßig verteilt</translation>
  </message>
  <message>
   <location filename="../../core/patterns/fields.py" />
   <source>Direction</source>
   <translation>Richtung</translation>
  </message>
  <message>
   <location filename="../../core/patterns/fields.py" />
   <source>Pitches drawn anew</source>
   <translation>Tonhöhen neu gezogen</translation>
  </message>
  <message>
   <location filename="../../core/patterns/fields.py" />
   <source>Steps turned over</source>
   <translation>Schritte umgekehrt</translation>
  </message>
  <message>
   <location filename="../../core/patterns/fields.py" />
   <source>One-shot</source>
   <translation>Ausklingend</translation>
  </message>
  <message>
   <location filename="../../core/patterns/fields.py" />
   <source>Controller</source>
   <translation>Controller</translation>
  </message>
  <message>
   <location filename="../../core/patterns/fields.py" />
   <source>Speed, times</source>
   <translation>Geschwindigkeit, mal</translation>
  </message>
  <message>
   <location filename="../../core/patterns/fields.py" />
   <source>% of a step</source>
   <translation>% eines Schritts</translation>
  </message>
  <message>
   <location filename="../../core/patterns/fields.py" />
   <source>‰ of a step</source>
   <translation>‰ eines Schritts</translation>
  </message>
  <message>
   <location filename="../../core/patterns/fields.py" />
   <source>{lane} has no value on step {value}</source>
   <translation>{lane} hat keinen Wert auf Schritt {value}</translation>
  </message>
  <message>
   <location filename="../../core/patterns/fields.py" />
   <source>a voice has a note, 0 to 127</source>
   <translation>eine Stimme hat eine Note, 0 bis 127</translation>
  </message>
  <message>
   <location filename="../../core/patterns/fields.py" />
   <source>yes or no (got {words!r})</source>
   <translation>yes oder no (bekommen: {words!r})</translation>
  </message>
  <message>
   <location filename="../../core/patterns/fields.py" />
   <source>{what} are a whole number (got {words!r})</source>
   <translation>{what} sind eine ganze Zahl (bekommen: {words!r})</translation>
  </message>
  <message>
   <location filename="../../core/patterns/fields.py" />
   <source>semitones with spaces between, such as 3 7 (got {words!r})</source>
   <translation>Halbtöne mit Leerzeichen dazwischen, wie 3 7 (bekommen: {words!r})</translation>
  </message>
  <message>
   <location filename="../../core/patterns/loops.py" />
   <source>a loop has {max_slices} slices at most (found {count})</source>
   <translation>ein Loop hat höchstens {max_slices} Scheiben (gefunden: {count})</translation>
  </message>
  <message>
   <location filename="../../core/patterns/loops.py" />
   <source>{count} slices from note {first_note} on reach above note 127</source>
   <translation>{count} Scheiben ab Note {first_note} reichen über Note 127</translation>
  </message>
  <message>
   <location filename="../../core/patterns/loops.py" />
   <source>{loop} has {length} sixteenths; a pattern has {max_steps} at most</source>
   <translation>{loop} hat {length} Sechzehntel; ein Pattern hat höchstens {max_steps}</translation>
  </message>
  <message>
   <location filename="../../core/patterns/loops.py" />
   <source>{loop} has {count} slices (got number {value})</source>
   <translation>{loop} hat {count} Scheiben (bekommen: Nummer {value})</translation>
  </message>
  <message>
   <location filename="../../core/patterns/makers.py" />
   <source>Seed</source>
   <translation>Startwert</translation>
  </message>
  <message>
   <location filename="../../core/patterns/makers.py" />
   <source>Rotated by</source>
   <translation>Rotiert um</translation>
  </message>
  <message>
   <location filename="../../core/patterns/makers.py" />
   <source>Comes round after</source>
   <translation>Läuft um nach</translation>
  </message>
  <message>
   <location filename="../../core/patterns/makers.py" />
   <source>Locked, %</source>
   <translation>Festgehalten, %</translation>
  </message>
  <message>
   <location filename="../../core/patterns/makers.py" />
   <source>Density, %</source>
   <translation>Dichte, %</translation>
  </message>
  <message>
   <location filename="../../core/patterns/makers.py" />
   <source>Every so many steps</source>
   <translation>Alle so viele Schritte</translation>
  </message>
  <message>
   <location filename="../../core/patterns/makers.py" />
   <source>Times over</source>
   <translation>So oft</translation>
  </message>
  <message>
   <location filename="../../core/patterns/makers.py" />
   <source>From step</source>
   <translation>Ab Schritt</translation>
  </message>
  <message>
   <location filename="../../core/patterns/makers.py" />
   <source>Leaps at most</source>
   <translation>Sprünge höchstens</translation>
  </message>
  <message>
   <location filename="../../core/patterns/makers.py" />
   <source>By so much, %</source>
   <translation>Um so viel, %</translation>
  </message>
  <message>
   <location filename="../../core/patterns/makers.py" />
   <source>Octaves</source>
   <translation>Oktaven</translation>
  </message>
  <message>
   <location filename="../../core/patterns/makers.py" />
   <source>Laid over by, taps</source>
   <translation>Überlagert von, Abgriffe</translation>
  </message>
  <message>
   <location filename="../../core/patterns/makers.py" />
   <source>Notes, or a key</source>
   <translation>Noten oder eine Tonart</translation>
  </message>
  <message>
   <location filename="../../core/patterns/makers.py" />
   <source>Bits, x or a point each</source>
   <translation>Bits, je x oder Punkt</translation>
  </message>
  <message>
   <location filename="../../core/patterns/makers.py" />
   <source>Fed back from stages</source>
   <translation>Rückgeführt von Stufen</translation>
  </message>
  <message>
   <location filename="../../core/patterns/makers.py" />
   <source>Out of stage</source>
   <translation>Aus Stufe</translation>
  </message>
  <message>
   <location filename="../../core/patterns/makers.py" />
   <source>As far as, %</source>
   <translation>So weit, %</translation>
  </message>
  <message>
   <location filename="../../core/patterns/makers.py" />
   <source>Goes round in so many steps</source>
   <translation>Einmal herum in so vielen Schritten</translation>
  </message>
  <message>
   <location filename="../../core/patterns/makers.py" />
   <source>Wave</source>
   <translation>Welle</translation>
  </message>
  <message>
   <location filename="../../core/patterns/makers.py" />
   <source>Evenly</source>
   <translation>Gleichmäßig</translation>
  </message>
  <message>
   <location filename="../../core/patterns/makers.py" />
   <source>Hits as evenly as can be over the steps.</source>
   <translation>Schläge so gleichmäßig wie möglich über die Schritte.</translation>
  </message>
  <message>
   <location filename="../../core/patterns/makers.py" />
   <source>A shift register fed by the exclusive-or of its taps.</source>
   <translation>Ein Schieberegister, gespeist vom exklusiven Oder seiner Abgriffe.</translation>
  </message>
  <message>
   <location filename="../../core/patterns/makers.py" />
   <source>Written register</source>
   <translation>Geschriebenes Register</translation>
  </message>
  <message>
   <location filename="../../core/patterns/makers.py" />
   <source>Your own bits, shifted on; fed back, they come round.</source>
   <translation>Deine eigenen Bits, weitergeschoben; rückgeführt kehren sie wieder.</translation>
  </message>
  <message>
   <location filename="../../core/patterns/makers.py" />
   <source>Register, notes</source>
   <translation>Register, Noten</translation>
  </message>
  <message>
   <location filename="../../core/patterns/makers.py" />
   <source>Its first stages choose the notes, on the steps there are.</source>
   <translation>Seine ersten Stufen wählen die Noten, auf den Schritten, die da sind.</translation>
  </message>
  <message>
   <location filename="../../core/patterns/makers.py" />
   <source>Register, levels</source>
   <translation>Register, Pegel</translation>
  </message>
  <message>
   <location filename="../../core/patterns/makers.py" />
   <source>Its first stages set how loud the hits are.</source>
   <translation>Seine ersten Stufen bestimmen, wie laut die Schläge sind.</translation>
  </message>
  <message>
   <location filename="../../core/patterns/makers.py" />
   <source>Slow wave</source>
   <translation>Langsame Welle</translation>
  </message>
  <message>
   <location filename="../../core/patterns/makers.py" />
   <source>A wave, caught by the steps there are, chooses the notes.</source>
   <translation>Eine Welle, von den Schritten abgetastet, wählt die Noten.</translation>
  </message>
  <message>
   <location filename="../../core/patterns/makers.py" />
   <source>Looping chance</source>
   <translation>Umlaufender Zufall</translation>
  </message>
  <message>
   <location filename="../../core/patterns/makers.py" />
   <source>Random steps that come round; unlocked they change.</source>
   <translation>Zufällige Schritte, die umlaufen; nicht festgehalten ändern sie sich.</translation>
  </message>
  <message>
   <location filename="../../core/patterns/makers.py" />
   <source>Division</source>
   <translation>Teilung</translation>
  </message>
  <message>
   <location filename="../../core/patterns/makers.py" />
   <source>Every so many steps.</source>
   <translation>Alle so viele Schritte.</translation>
  </message>
  <message>
   <location filename="../../core/patterns/makers.py" />
   <source>Multiplied</source>
   <translation>Vervielfacht</translation>
  </message>
  <message>
   <location filename="../../core/patterns/makers.py" />
   <source>Every so many steps, that step struck several times over.</source>
   <translation>Alle so viele Schritte, dieser Schritt mehrfach geschlagen.</translation>
  </message>
  <message>
   <location filename="../../core/patterns/makers.py" />
   <source>Walk</source>
   <translation>Wanderung</translation>
  </message>
  <message>
   <location filename="../../core/patterns/makers.py" />
   <source>From note to neighbouring note, on the steps there are.</source>
   <translation>Von Note zu Nachbarnote, auf den vorhandenen Schritten.</translation>
  </message>
  <message>
   <location filename="../../core/patterns/makers.py" />
   <source>Arpeggio</source>
   <translation>Arpeggio</translation>
  </message>
  <message>
   <location filename="../../core/patterns/makers.py" />
   <source>The notes one after another, on the steps there are.</source>
   <translation>Die Noten nacheinander, auf den vorhandenen Schritten.</translation>
  </message>
  <message>
   <location filename="../../core/patterns/makers.py" />
   <source>What is late or early goes towards its step.</source>
   <translation>Was zu spät oder zu früh ist, rückt zu seinem Schritt.</translation>
  </message>
  <message>
   <location filename="../../core/patterns/makers.py" />
   <source>Shuffle</source>
   <translation>Mischen</translation>
  </message>
  <message>
   <location filename="../../core/patterns/makers.py" />
   <source>The hits there are, in another order.</source>
   <translation>Die vorhandenen Schläge in anderer Ordnung.</translation>
  </message>
  <message>
   <location filename="../../core/patterns/makers.py" />
   <source>{maker} writes hits: take a voice in hand</source>
   <translation>{maker} schreibt Schläge: nimm eine Stimme in die Hand</translation>
  </message>
  <message>
   <location filename="../../core/patterns/makers.py" />
   <source>{parameter_words} goes from {low} to {high} (got {value})</source>
   <translation>{parameter_words} geht von {low} bis {high} (bekommen: {value})</translation>
  </message>
  <message>
   <location filename="../../core/patterns/makers.py" />
   <source>{what} go from {low} to {high}, one at least (got {text_!r})</source>
   <translation>{what} gehen von {low} bis {high}, mindestens eine (bekommen: {text_!r})</translation>
  </message>
  <message>
   <location filename="../../core/patterns/makers.py" />
   <source>no note of {key} lies from {low} to {high}</source>
   <translation>keine Note von {key} liegt von {low} bis {high}</translation>
  </message>
  <message>
   <location filename="../../core/patterns/makers.py" />
   <source>{parameter_words} is a whole number (got {text_!r})</source>
   <translation>{parameter_words} ist eine ganze Zahl (bekommen: {text_!r})</translation>
  </message>
  <message>
   <location filename="../../core/patterns/makers.py" />
   <source>{what} are whole numbers with spaces between (got {text_!r})</source>
   <translation>{what} sind ganze Zahlen mit Leerzeichen dazwischen (bekommen: {text_!r})</translation>
  </message>
  <message>
   <location filename="../../core/patterns/shaping.py" />
   <source>there is no row or step there</source>
   <translation>dort ist keine Zeile und kein Schritt</translation>
  </message>
  <message>
   <location filename="../../core/patterns/stages.py" />
   <source>bits are a row of x and points, {most} at most (got {text_!r})</source>
   <translation>Bits sind eine Reihe aus x und Punkten, höchstens {most} (war {text_!r})</translation>
  </message>
  <message>
   <location filename="../../core/patterns/stages.py" />
   <source>taps go from 1 to {stages}, the bits that are written</source>
   <translation>Abgriffe gehen von 1 bis {stages}, so viele Bits stehen da</translation>
  </message>
  <message>
   <location filename="../../core/patterns/stages.py" />
   <source>there is no stage {stage}: {stages} bits are written</source>
   <translation>Stufe {stage} gibt es nicht: {stages} Bits stehen da</translation>
  </message>
  <message>
   <location filename="../../core/patterns/stepsheet.py" />
   <source>press {keys} together</source>
   <translation>{keys} zusammen drücken</translation>
  </message>
  <message>
   <location filename="../../core/patterns/stepsheet.py" />
   <source>swing level {level_number} of {of} ({level_value:g} %){off}</source>
   <translation>Swingstufe {level_number} von {of} ({level_value:g} %){off}</translation>
  </message>
  <message>
   <location filename="../../core/patterns/stepsheet.py" />
   <source>{length} steps of {rate}</source>
   <translation>{length} Schritte von {rate}</translation>
  </message>
  <message>
   <location filename="../../core/patterns/stepsheet.py" />
   <source>swing {percent:g} %, {late:.1f} ms late at {bpm:g} BPM</source>
   <translation>Swing {percent:g} %, {late:.1f} ms spät bei {bpm:g} BPM</translation>
  </message>
  <message>
   <location filename="../../core/patterns/stepsheet.py" />
   <source>, {off_ms:+.1f} ms off what is drawn</source>
   <translation>, {off_ms:+.1f} ms neben dem Gezeichneten</translation>
  </message>
  <message>
   <location filename="../../core/patterns/stepsheet.py" />
   <source>velocity {velocity}</source>
   <translation>Stärke {velocity}</translation>
  </message>
  <message>
   <location filename="../../core/patterns/stepsheet.py" />
   <source>level {level_number} of {of}</source>
   <translation>Stufe {level_number} von {of}</translation>
  </message>
  <message>
   <location filename="../../core/patterns/stepsheet.py" />
   <source>speed ×{speed}</source>
   <translation>Geschwindigkeit ×{speed}</translation>
  </message>
  <message>
   <location filename="../../core/patterns/stepsheet.py" />
   <source>clears what stands there first</source>
   <translation>löscht zuerst, was dort steht</translation>
  </message>
  <message>
   <location filename="../../core/patterns/stepsheet.py" />
   <source>{length} steps evenly over the pattern</source>
   <translation>{length} Schritte gleichmäßig über das Pattern</translation>
  </message>
  <message>
   <location filename="../../core/patterns/stepsheet.py" />
   <source>pitches drawn anew {drawn} %</source>
   <translation>Tonhöhen neu gezogen {drawn} %</translation>
  </message>
  <message>
   <location filename="../../core/patterns/stepsheet.py" />
   <source>steps turned over {turned} %</source>
   <translation>Schritte umgekehrt {turned} %</translation>
  </message>
  <message>
   <location filename="../../core/patterns/stepsheet.py" />
   <source> to {ratchet_to} %</source>
   <translation> bis {ratchet_to} %</translation>
  </message>
  <message>
   <location filename="../../core/patterns/stepsheet.py" />
   <source>{ratchet} strokes{ramp}</source>
   <translation>{ratchet} Wirbel{ramp}</translation>
  </message>
  <message>
   <location filename="../../core/patterns/stepsheet.py" />
   <source>{late_ms:+.1f} ms</source>
   <translation>{late_ms:+.1f} ms</translation>
  </message>
  <message>
   <location filename="../../core/patterns/stepsheet.py" />
   <source>flam {level_number} of {of}{off}</source>
   <translation>Flam {level_number} von {of}{off}</translation>
  </message>
  <message>
   <location filename="../../core/patterns/stepsheet.py" />
   <source>flam {wanted:.0f} ms</source>
   <translation>Flam {wanted:.0f} ms</translation>
  </message>
  <message>
   <location filename="../../core/patterns/whole.py" />
   <source>a pattern has 1 to {max_steps} steps</source>
   <translation>ein Pattern hat 1 bis {max_steps} Schritte</translation>
  </message>
  <message>
   <location filename="../../core/patterns/whole.py" />
   <source>steps of {rate}, {length} of them, have no triplets over the same beats</source>
   <translation>{length} Schritte zu {rate} haben keine Triolen über dieselben Schläge</translation>
  </message>
  <message>
   <location filename="../../core/patterns/whole.py" />
   <source>every hit is on its step already</source>
   <translation>jeder Schlag liegt schon auf seinem Schritt</translation>
  </message>
  <message>
   <location filename="../../core/player/controls.py" />
   <source>All notes off, then stop</source>
   <translation>Alle Noten aus, dann Stopp</translation>
  </message>
  <message>
   <location filename="../../core/player/controls.py" />
   <source>Next, on the next bar</source>
   <translation>Das Nächste, zum nächsten Takt</translation>
  </message>
  <message>
   <location filename="../../core/player/controls.py" />
   <source>Next, at the end of this section</source>
   <translation>Das Nächste, am Ende dieses Abschnitts</translation>
  </message>
  <message>
   <location filename="../../core/player/controls.py" />
   <source>Cut to it now</source>
   <translation>Jetzt dorthin schneiden</translation>
  </message>
  <message>
   <location filename="../../core/player/controls.py" />
   <source>Hold, or let go on</source>
   <translation>Halten oder loslassen</translation>
  </message>
  <message>
   <location filename="../../core/player/controls.py" />
   <source>One more pass</source>
   <translation>Noch ein Durchgang</translation>
  </message>
  <message>
   <location filename="../../core/player/controls.py" />
   <source>Leave out what is next</source>
   <translation>Das Nächste auslassen</translation>
  </message>
  <message>
   <location filename="../../core/player/controls.py" />
   <source>The section before</source>
   <translation>Der Abschnitt davor</translation>
  </message>
  <message>
   <location filename="../../core/player/controls.py" />
   <source>Take back what was asked for</source>
   <translation>Das Verlangte zurücknehmen</translation>
  </message>
  <message>
   <location filename="../../core/player/controls.py" />
   <source>Let a carried tempo go</source>
   <translation>Ein getragenes Tempo loslassen</translation>
  </message>
  <message>
   <location filename="../../core/player/controls.py" />
   <source>The announced move is done</source>
   <translation>Der angesagte Griff ist getan</translation>
  </message>
  <message>
   <location filename="../../core/player/controls.py" />
   <source>Drop the pass that makes the set fit</source>
   <translation>Den Durchgang weglassen, damit das Set passt</translation>
  </message>
  <message>
   <location filename="../../core/player/controls.py" />
   <source>Mutes by hand stay, or not</source>
   <translation>Mutes von Hand bleiben, oder nicht</translation>
  </message>
  <message>
   <location filename="../../core/player/controls.py" />
   <source>Tap the tempo</source>
   <translation>Das Tempo tippen</translation>
  </message>
  <message>
   <location filename="../../core/player/controls.py" />
   <source>Tempo, on a knob</source>
   <translation>Tempo, an einem Regler</translation>
  </message>
  <message>
   <location filename="../../core/player/controls.py" />
   <source>Fill, while held</source>
   <translation>Fill, solange gehalten</translation>
  </message>
  <message>
   <location filename="../../core/player/controls.py" />
   <source>What changes by itself stays, while held or turned up</source>
   <translation>Was sich von selbst ändert, bleibt, solange gehalten oder aufgedreht</translation>
  </message>
  <message>
   <location filename="../../core/player/controls.py" />
   <source>Push ahead, while held</source>
   <translation>Vorschieben, solange gehalten</translation>
  </message>
  <message>
   <location filename="../../core/player/controls.py" />
   <source>Hold back, while held</source>
   <translation>Zurückhalten, solange gehalten</translation>
  </message>
  <message>
   <location filename="../../core/player/controls.py" />
   <source>Loops on bars, or at the loop's end</source>
   <translation>Loops auf Takten oder am Loop-Ende</translation>
  </message>
  <message>
   <location filename="../../core/player/controls.py" />
   <source>Length of the next recording</source>
   <translation>Länge der nächsten Aufnahme</translation>
  </message>
  <message>
   <location filename="../../core/player/controls.py" />
   <source>A first loop sets the tempo</source>
   <translation>Ein erster Loop gibt das Tempo</translation>
  </message>
  <message>
   <location filename="../../core/player/controls.py" />
   <source>Mute number</source>
   <translation>Mute Nummer</translation>
  </message>
  <message>
   <location filename="../../core/player/controls.py" />
   <source>Alone: number</source>
   <translation>Allein: Nummer</translation>
  </message>
  <message>
   <location filename="../../core/player/controls.py" />
   <source>Mute box or track</source>
   <translation>Gerät oder Spur stumm</translation>
  </message>
  <message>
   <location filename="../../core/player/controls.py" />
   <source>Alone: box or track</source>
   <translation>Allein: Gerät oder Spur</translation>
  </message>
  <message>
   <location filename="../../core/player/controls.py" />
   <source>Next pattern of box or track</source>
   <translation>Nächstes Pattern von Gerät oder Spur</translation>
  </message>
  <message>
   <location filename="../../core/player/controls.py" />
   <source>Loop track</source>
   <translation>Loop-Spur</translation>
  </message>
  <message>
   <location filename="../../core/player/controls.py" />
   <source>Stop loop track</source>
   <translation>Anhalten: Loop-Spur</translation>
  </message>
  <message>
   <location filename="../../core/player/controls.py" />
   <source>Scene number</source>
   <translation>Szene Nummer</translation>
  </message>
  <message>
   <location filename="../../core/player/controls.py" />
   <source>Song number</source>
   <translation>Song Nummer</translation>
  </message>
  <message>
   <location filename="../../core/player/course.py" />
   <source>{song} has no section {section!r}</source>
   <translation>{song} hat keinen Abschnitt {section!r}</translation>
  </message>
  <message>
   <location filename="../../core/player/course.py" />
   <source>{song} has no sections: there is nothing to play</source>
   <translation>{song} hat keine Abschnitte: es gibt nichts zu spielen</translation>
  </message>
  <message>
   <location filename="../../core/player/loopers.py" />
   <source>there is no loop track {command_number} that Grebe can tell</source>
   <translation>es gibt keine Loop-Spur {command_number}, der Grebe etwas sagen kann</translation>
  </message>
  <message>
   <location filename="../../core/player/performing.py" />
   <source>too late to withdraw: boxes have been told of what comes</source>
   <translation>zu spät zum Zurücknehmen: den Geräten ist gesagt, was kommt</translation>
  </message>
  <message>
   <location filename="../../core/player/performing.py" />
   <source>there is no device {device!r} to hear alone</source>
   <translation>es gibt kein Gerät {device!r}, das allein zu hören wäre</translation>
  </message>
  <message>
   <location filename="../../core/player/performing.py" />
   <source>there is no device {device!r} to mute</source>
   <translation>es gibt kein Gerät {device!r} stumm zu schalten</translation>
  </message>
  <message>
   <location filename="../../core/player/performing.py" />
   <source>there is no device {device!r} to play it</source>
   <translation>es gibt kein Gerät {device!r}, das es spielen könnte</translation>
  </message>
  <message>
   <location filename="../../core/player/performing.py" />
   <source>nothing plays: choose the pattern in the scene</source>
   <translation>es spielt nichts: das Pattern in der Szene wählen</translation>
  </message>
  <message>
   <location filename="../../core/player/performing.py" />
   <source>{song} has no sections left; the old plan plays on</source>
   <translation>{song} hat keine Abschnitte mehr; der alte Plan spielt weiter</translation>
  </message>
  <message>
   <location filename="../../core/player/performing.py" />
   <source>{device} has no such pattern in what plays</source>
   <translation>{device} hat kein solches Pattern in dem, was spielt</translation>
  </message>
  <message>
   <location filename="../../core/probe/notes.py" />
   <source>Which notes sound?</source>
   <translation>Welche Noten klingen?</translation>
  </message>
  <message>
   <location filename="../../core/probe/notes.py" />
   <source>Does it pass on what comes in?</source>
   <translation>Gibt es weiter, was hereinkommt?</translation>
  </message>
  <message>
   <location filename="../../core/probe/notes.py" />
   <source>Clock and notes came back: its thru passes on all.</source>
   <translation>Clock und Noten kamen zurück: sein Thru gibt alles weiter.</translation>
  </message>
  <message>
   <location filename="../../core/probe/notes.py" />
   <source>Notes came back, clocks did not.</source>
   <translation>Noten kamen zurück, Clocks nicht.</translation>
  </message>
  <message>
   <location filename="../../core/probe/notes.py" />
   <source>Nothing that was sent came back.</source>
   <translation>Nichts von dem, was gesendet wurde, kam zurück.</translation>
  </message>
  <message>
   <location filename="../../core/probe/notes.py" />
   <source>It plays any pitch: {count} of {of} notes far apart sounded.</source>
   <translation>Es spielt jede Tonhöhe: {count} von {of} weit auseinander liegenden Noten klangen.</translation>
  </message>
  <message>
   <location filename="../../core/probe/notes.py" />
   <source>These notes sound: {notes}.</source>
   <translation>Diese Noten klingen: {notes}.</translation>
  </message>
  <message>
   <location filename="../../core/probe/notes.py" />
   <source>A note sounds after {late:.2f} ms (middle half within {spread:.2f}, {count} notes).</source>
   <translation>Eine Note klingt nach {late:.2f} ms (mittlere Hälfte innerhalb von {spread:.2f}, {count} Noten).</translation>
  </message>
  <message>
   <location filename="../../core/probe/notes.py" />
   <source>{count} clocks came by themselves.</source>
   <translation>{count} Clocks kamen von selbst.</translation>
  </message>
  <message>
   <location filename="../../core/probe/notes.py" />
   <source>It says three times a second that it is there (Active Sensing).</source>
   <translation>Es meldet dreimal in der Sekunde, dass es da ist (Active Sensing).</translation>
  </message>
  <message>
   <location filename="../../core/probe/notes.py" />
   <source>What was sent came back twice: there is a loop of cables. Nothing more is sent.</source>
   <translation>Gesendetes kam zweimal zurück: die Kabel bilden eine Schleife. Es wird nichts mehr gesendet.</translation>
  </message>
  <message>
   <location filename="../../core/probe/notes.py" />
   <source>Notes sounded on channel {listed}.</source>
   <translation>Noten klangen auf Kanal {listed}.</translation>
  </message>
  <message>
   <location filename="../../core/probe/notes.py" />
   <source>A note that is held sounds {later:.0f} ms longer.</source>
   <translation>Eine gehaltene Note klingt {later:.0f} ms länger.</translation>
  </message>
  <message>
   <location filename="../../core/probe/notes.py" />
   <source>A note rings as long whether it is held or not.</source>
   <translation>Eine Note klingt gleich lang, ob gehalten oder nicht.</translation>
  </message>
  <message>
   <location filename="../../core/probe/notes.py" />
   <source>All velocities sounded alike.</source>
   <translation>Alle Anschlagstärken klangen gleich.</translation>
  </message>
  <message>
   <location filename="../../core/probe/notes.py" />
   <source>Velocity is a curve.</source>
   <translation>Die Anschlagstärke ist eine Kurve.</translation>
  </message>
  <message>
   <location filename="../../core/probe/notes.py" />
   <source>Velocity has {levels} steps.</source>
   <translation>Die Anschlagstärke hat {levels} Stufen.</translation>
  </message>
  <message>
   <location filename="../../core/probe/notes.py" />
   <source>Does it send anything by itself?</source>
   <translation>Sendet es von selbst etwas?</translation>
  </message>
  <message>
   <location filename="../../core/probe/notes.py" />
   <source>On which channels does it sound?</source>
   <translation>Auf welchen Kanälen klingt es?</translation>
  </message>
  <message>
   <location filename="../../core/probe/notes.py" />
   <source>Does a note last as long as it is held?</source>
   <translation>Dauert eine Note so lange, wie sie gehalten wird?</translation>
  </message>
  <message>
   <location filename="../../core/probe/notes.py" />
   <source>What does it make of velocity?</source>
   <translation>Was macht es aus der Anschlagstärke?</translation>
  </message>
  <message>
   <location filename="../../core/probe/notes.py" />
   <source>How late does a note sound?</source>
   <translation>Wie spät klingt eine Note?</translation>
  </message>
  <message>
   <location filename="../../core/probe/pattern.py" />
   <source>Does Start set its pattern going, and Stop stop it?</source>
   <translation>Setzt Start sein Pattern in Gang, und hält Stop es an?</translation>
  </message>
  <message>
   <location filename="../../core/probe/pattern.py" />
   <source>Does Continue go on where it stopped?</source>
   <translation>Geht Continue dort weiter, wo es anhielt?</translation>
  </message>
  <message>
   <location filename="../../core/probe/pattern.py" />
   <source>Does it go to a Song Position?</source>
   <translation>Geht es zu einer Song Position?</translation>
  </message>
  <message>
   <location filename="../../core/probe/pattern.py" />
   <source>After Start {count} hits were heard.</source>
   <translation>Nach Start waren {count} Anschläge zu hören.</translation>
  </message>
  <message>
   <location filename="../../core/probe/pattern.py" />
   <source>While it ran {ticks} clocks came back.</source>
   <translation>Während es lief, kamen {ticks} Clocks zurück.</translation>
  </message>
  <message>
   <location filename="../../core/probe/pattern.py" />
   <source>It plays by its own key, and not by Start.</source>
   <translation>Es spielt auf seine eigene Taste hin, nicht auf Start.</translation>
  </message>
  <message>
   <location filename="../../core/probe/pattern.py" />
   <source>After Stop {after} hits were heard.</source>
   <translation>Nach Stop waren {after} Anschläge zu hören.</translation>
  </message>
  <message>
   <location filename="../../core/probe/pattern.py" />
   <source>At {slow:g} and {fast:g} BPM it went by the clock.</source>
   <translation>Bei {slow:g} und {fast:g} BPM ging es nach der Clock.</translation>
  </message>
  <message>
   <location filename="../../core/probe/pattern.py" />
   <source>At {slow:g} and {fast:g} BPM it kept its own tempo.</source>
   <translation>Bei {slow:g} und {fast:g} BPM behielt es sein eigenes Tempo.</translation>
  </message>
  <message>
   <location filename="../../core/probe/pattern.py" />
   <source>Does it follow our clock? Look at the tempo it shows.</source>
   <translation>Folgt es unserer Clock? Auf das angezeigte Tempo achten.</translation>
  </message>
  <message>
   <location filename="../../core/probe/pattern.py" />
   <source> Start itself is its one.</source>
   <translation> Start selbst ist seine Eins.</translation>
  </message>
  <message>
   <location filename="../../core/probe/pattern.py" />
   <source> It swallows the first.</source>
   <translation> Die erste verschluckt es.</translation>
  </message>
  <message>
   <location filename="../../core/probe/pattern.py" />
   <source>After Stop {after} hits were heard, where {wanted:.0f} would have come.</source>
   <translation>Nach Stop waren {after} Schläge zu hören, wo {wanted:.0f} gekommen wären.</translation>
  </message>
  <message>
   <location filename="../../core/probe/pattern.py" />
   <source>Does what it plays go by the clock?</source>
   <translation>Geht, was es spielt, nach der Clock?</translation>
  </message>
  <message>
   <location filename="../../core/probe/pattern.py" />
   <source>At {fast:g} BPM {more} hits came, at {slow:g} as long {fewer}.</source>
   <translation>Bei {fast:g} BPM kamen {more} Schläge, bei {slow:g} in gleicher Zeit {fewer}.</translation>
  </message>
  <message>
   <location filename="../../core/probe/pattern.py" />
   <source>When the tempo jumps it is off by up to {bump:.0f} ms, for {seconds:.1f} s.</source>
   <translation>Springt das Tempo, liegt es bis zu {bump:.0f} ms daneben, {seconds:.1f} s lang.</translation>
  </message>
  <message>
   <location filename="../../core/probe/pattern.py" />
   <source>When the tempo jumps it follows at once (within {bump:.0f} ms).</source>
   <translation>Springt das Tempo, folgt es sofort (auf {bump:.0f} ms).</translation>
  </message>
  <message>
   <location filename="../../core/probe/pattern.py" />
   <source>A step sounds {late:.2f} ms after its clock.</source>
   <translation>Ein Schritt klingt {late:.2f} ms nach seiner Clock.</translation>
  </message>
  <message>
   <location filename="../../core/probe/pattern.py" />
   <source>Its own patterns swing at {swing:.0f} %.</source>
   <translation>Seine eigenen Patterns swingen mit {swing:.0f} %.</translation>
  </message>
  <message>
   <location filename="../../core/probe/pattern.py" />
   <source>It shows the tempo it is sent.</source>
   <translation>Es zeigt das Tempo, das es bekommt.</translation>
  </message>
  <message>
   <location filename="../../core/probe/pattern.py" />
   <source>It shows half of it.</source>
   <translation>Es zeigt die Hälfte davon.</translation>
  </message>
  <message>
   <location filename="../../core/probe/pattern.py" />
   <source>It shows twice of it.</source>
   <translation>Es zeigt das Doppelte davon.</translation>
  </message>
  <message>
   <location filename="../../core/probe/pattern.py" />
   <source>After Continue {there} hits were off where it stopped, {top} from the top.</source>
   <translation>Nach Continue waren {there} Anschläge daneben, wo es anhielt, {top} vom Anfang.</translation>
  </message>
  <message>
   <location filename="../../core/probe/pattern.py" />
   <source>After a Song Position {there} hits were off there, {top} from the top.</source>
   <translation>Nach einer Song Position waren dort {there} Anschläge daneben, {top} vom Anfang.</translation>
  </message>
  <message>
   <location filename="../../core/probe/pattern.py" />
   <source>Does Stop stop it?</source>
   <translation>Hält Stop es an?</translation>
  </message>
  <message>
   <location filename="../../core/probe/pattern.py" />
   <source>Nothing sounds. Is there a pattern in it? Press play on the box, once.</source>
   <translation>Nichts klingt. Ist ein Pattern darin? Einmal am Gerät auf Start drücken.</translation>
  </message>
  <message>
   <location filename="../../core/probe/pattern.py" />
   <source>Does it follow at once when the tempo jumps?</source>
   <translation>Folgt es sofort, wenn das Tempo springt?</translation>
  </message>
  <message>
   <location filename="../../core/probe/pattern.py" />
   <source>How late is a step, once settled?</source>
   <translation>Wie spät ist ein Schritt, eingeschwungen?</translation>
  </message>
  <message>
   <location filename="../../core/probe/pattern.py" />
   <source>What tempo did it show? It was sent 120.</source>
   <translation>Welches Tempo hat es gezeigt? Gesendet wurde 120.</translation>
  </message>
  <message>
   <location filename="../../core/probe/pattern.py" />
   <source>It follows at {bpm:g} BPM.</source>
   <translation>Es folgt bei {bpm:g} BPM.</translation>
  </message>
  <message>
   <location filename="../../core/probe/pattern.py" />
   <source>At {bpm:g} BPM it was not heard to follow.</source>
   <translation>Bei {bpm:g} BPM war nicht zu hören, dass es folgt.</translation>
  </message>
  <message>
   <location filename="../../core/probe/pattern.py" />
   <source>Does it follow at {bpm:g} BPM?</source>
   <translation>Folgt es bei {bpm:g} BPM?</translation>
  </message>
  <message>
   <location filename="../../core/probe/pattern.py" />
   <source>It plays now</source>
   <translation>Jetzt spielt es</translation>
  </message>
  <message>
   <location filename="../../core/probe/pattern.py" />
   <source>There is no pattern in it</source>
   <translation>Es ist kein Pattern darin</translation>
  </message>
  <message>
   <location filename="../../core/probe/procedure.py" />
   <source>Listen</source>
   <translation>Hinhören</translation>
  </message>
  <message>
   <location filename="../../core/probe/procedure.py" />
   <source>Passing on</source>
   <translation>Weitergeben</translation>
  </message>
  <message>
   <location filename="../../core/probe/procedure.py" />
   <source>Channels</source>
   <translation>Kanäle</translation>
  </message>
  <message>
   <location filename="../../core/probe/procedure.py" />
   <source>Held</source>
   <translation>Gehalten</translation>
  </message>
  <message>
   <location filename="../../core/probe/procedure.py" />
   <source>Lateness</source>
   <translation>Verspätung</translation>
  </message>
  <message>
   <location filename="../../core/probe/procedure.py" />
   <source>Start and Stop</source>
   <translation>Start und Stop</translation>
  </message>
  <message>
   <location filename="../../core/probe/procedure.py" />
   <source>Clock</source>
   <translation>Clock</translation>
  </message>
  <message>
   <location filename="../../core/probe/procedure.py" />
   <source>Display</source>
   <translation>Anzeige</translation>
  </message>
  <message>
   <location filename="../../core/probe/procedure.py" />
   <source>Settling</source>
   <translation>Einschwingen</translation>
  </message>
  <message>
   <location filename="../../core/probe/procedure.py" />
   <source>Continue</source>
   <translation>Continue</translation>
  </message>
  <message>
   <location filename="../../core/probe/procedure.py" />
   <source>Song Position</source>
   <translation>Song Position</translation>
  </message>
  <message>
   <location filename="../../core/probe/procedure.py" />
   <source>Far tempi</source>
   <translation>Ferne Tempi</translation>
  </message>
  <message>
   <location filename="../../core/probe/procedure.py" />
   <source>Programs</source>
   <translation>Programme</translation>
  </message>
  <message>
   <location filename="../../core/probe/procedure.py" />
   <source>It is left silent.</source>
   <translation>Es wird still zurückgelassen.</translation>
  </message>
  <message>
   <location filename="../../core/probe/programs.py" />
   <source>Does a program change change its pattern?</source>
   <translation>Ändert ein Program Change sein Pattern?</translation>
  </message>
  <message>
   <location filename="../../core/probe/programs.py" />
   <source>Program {program} plays another pattern ({off} hits are others).</source>
   <translation>Programm {program} spielt ein anderes Pattern ({off} Schläge sind andere).</translation>
  </message>
  <message>
   <location filename="../../core/probe/programs.py" />
   <source>Chosen by hand another pattern sounds; by program changes it did not.</source>
   <translation>Von Hand gewählt klingt ein anderes Pattern; durch Programmwechsel tat es das nicht.</translation>
  </message>
  <message>
   <location filename="../../core/probe/programs.py" />
   <source>It changes at once.</source>
   <translation>Es wechselt sofort.</translation>
  </message>
  <message>
   <location filename="../../core/probe/programs.py" />
   <source>It changes at the bar.</source>
   <translation>Es wechselt am Takt.</translation>
  </message>
  <message>
   <location filename="../../core/probe/programs.py" />
   <source>It changes at its pattern's end.</source>
   <translation>Es wechselt am Ende seines Patterns.</translation>
  </message>
  <message>
   <location filename="../../core/probe/programs.py" />
   <source>Back to the first program.</source>
   <translation>Zurück zum ersten Programm.</translation>
  </message>
  <message>
   <location filename="../../core/probe/programs.py" />
   <source>Choose another pattern on the box by hand. Is it one that sounds different?</source>
   <translation>Am Gerät von Hand ein anderes Pattern wählen. Klingt es anders?</translation>
  </message>
  <message>
   <location filename="../../core/probe/programs.py" />
   <source>Does it sound different now?</source>
   <translation>Klingt es jetzt anders?</translation>
  </message>
  <message>
   <location filename="../../core/probe/programs.py" />
   <source>What does it play now?</source>
   <translation>Was spielt es jetzt?</translation>
  </message>
  <message>
   <location filename="../../core/probe/programs.py" />
   <source>I have chosen one</source>
   <translation>Ich habe eines gewählt</translation>
  </message>
  <message>
   <location filename="../../core/probe/programs.py" />
   <source>There is no other</source>
   <translation>Es gibt kein anderes</translation>
  </message>
  <message>
   <location filename="../../core/probe/taking.py" />
   <source>channels it listens on</source>
   <translation>Kanäle, auf die es hört</translation>
  </message>
  <message>
   <location filename="../../core/probe/taking.py" />
   <source>whether it obeys Continue</source>
   <translation>ob es Continue befolgt</translation>
  </message>
  <message>
   <location filename="../../core/probe/taking.py" />
   <source>whether it hears how hard</source>
   <translation>ob es den Anschlag hört</translation>
  </message>
  <message>
   <location filename="../../core/probe/taking.py" />
   <source>from message to sound, ms</source>
   <translation>von der Nachricht zum Klang, ms</translation>
  </message>
  <message>
   <location filename="../../core/probe/taking.py" />
   <source>lowest tempo, BPM</source>
   <translation>niedrigstes Tempo, BPM</translation>
  </message>
  <message>
   <location filename="../../core/probe/taking.py" />
   <source>highest tempo, BPM</source>
   <translation>höchstes Tempo, BPM</translation>
  </message>
  <message>
   <location filename="../../core/probe/taking.py" />
   <source>its offset, ms</source>
   <translation>sein Versatz, ms</translation>
  </message>
  <message>
   <location filename="../../core/probe/taking.py" />
   <source>it is set to obey clock</source>
   <translation>es ist eingestellt, Clock zu befolgen</translation>
  </message>
  <message>
   <location filename="../../core/probe/taking.py" />
   <source>it is set to obey Start and Stop</source>
   <translation>es ist eingestellt, Start und Stop zu befolgen</translation>
  </message>
  <message>
   <location filename="../../core/probe/taking.py" />
   <source>it is set to obey Song Position</source>
   <translation>es ist eingestellt, Song Position zu befolgen</translation>
  </message>
  <message>
   <location filename="../../core/probe/taking.py" />
   <source>it is set to obey program changes</source>
   <translation>es ist eingestellt, Programmwechsel zu befolgen</translation>
  </message>
  <message>
   <location filename="../../core/probe/taking.py" />
   <source>its clock output is on</source>
   <translation>sein Clock-Ausgang ist an</translation>
  </message>
  <message>
   <location filename="../../core/probe/taking.py" />
   <source>its voices</source>
   <translation>seine Stimmen</translation>
  </message>
  <message>
   <location filename="../../core/probe/taking.py" />
   <source>whether Stop stops it</source>
   <translation>ob Stop es anhält</translation>
  </message>
  <message>
   <location filename="../../core/probe/taking.py" />
   <source>from a clock to its step, ms</source>
   <translation>von der Clock zu ihrem Schritt, ms</translation>
  </message>
  <message>
   <location filename="../../core/probe/taking.py" />
   <source>what it passes on</source>
   <translation>was es weitergibt</translation>
  </message>
  <message>
   <location filename="../../core/probe/taking.py" />
   <source>what it makes of velocity</source>
   <translation>was es aus dem Anschlag macht</translation>
  </message>
  <message>
   <location filename="../../core/probe/taking.py" />
   <source>when it sends clock</source>
   <translation>wann es Clock sendet</translation>
  </message>
  <message>
   <location filename="../../core/probe/taking.py" />
   <source>yes</source>
   <translation>ja</translation>
  </message>
  <message>
   <location filename="../../core/probe/taking.py" />
   <source>no</source>
   <translation>nein</translation>
  </message>
  <message>
   <location filename="../../core/rehearse/ones.py" />
   <source>Tap the first beat of at least three bars.</source>
   <translation>Tipp den ersten Schlag von mindestens drei Takten.</translation>
  </message>
  <message>
   <location filename="../../core/rehearse/ones.py" />
   <source>You come in {mean_ms:.0f} ms late: begin the move sooner.</source>
   <translation>Du setzt {mean_ms:.0f} ms zu spät ein: beginne den Griff früher.</translation>
  </message>
  <message>
   <location filename="../../core/rehearse/ones.py" />
   <source>It wavers by {spread_ms:.0f} ms.</source>
   <translation>Es schwankt um {spread_ms:.0f} ms.</translation>
  </message>
  <message>
   <location filename="../../core/rehearse/ones.py" />
   <source>You come in {value:.0f} ms early: wait for the beat.</source>
   <translation>Du setzt {value:.0f} ms zu früh ein: warte auf den Schlag.</translation>
  </message>
  <message>
   <location filename="../../core/rehearse/ones.py" />
   <source>Too unsteady to tell early from late.</source>
   <translation>Zu unruhig, um früh von spät zu unterscheiden.</translation>
  </message>
  <message>
   <location filename="../../core/rehearse/ones.py" />
   <source>On the one.</source>
   <translation>Auf der Eins.</translation>
  </message>
  <message>
   <location filename="../../core/rig/abilities.py" />
   <source>as the box</source>
   <translation>wie das Gerät</translation>
  </message>
  <message>
   <location filename="../../core/rig/abilities.py" />
   <source>Bank {letter}</source>
   <translation>Bank {letter}</translation>
  </message>
  <message>
   <location filename="../../core/rig/abilities.py" />
   <source>{capitalize}, row {value}, {get}</source>
   <translation>{capitalize}, Zeile {value}, {get}</translation>
  </message>
  <message>
   <location filename="../../core/rig/abilities.py" />
   <source>Sends Start and Stop</source>
   <translation>Sendet Start und Stopp</translation>
  </message>
  <message>
   <location filename="../../core/rig/abilities.py" />
   <source>Sends notes</source>
   <translation>Sendet Noten</translation>
  </message>
  <message>
   <location filename="../../core/rig/abilities.py" />
   <source>Sends program changes</source>
   <translation>Sendet Programmwechsel</translation>
  </message>
  <message>
   <location filename="../../core/rig/abilities.py" />
   <source>Sends controllers</source>
   <translation>Sendet Controller</translation>
  </message>
  <message>
   <location filename="../../core/rig/abilities.py" />
   <source>Its own clock wavers by, ms</source>
   <translation>Seine eigene Clock schwankt um, ms</translation>
  </message>
  <message>
   <location filename="../../core/rig/abilities.py" />
   <source>Obeys Start and Stop</source>
   <translation>Gehorcht Start und Stopp</translation>
  </message>
  <message>
   <location filename="../../core/rig/abilities.py" />
   <source>Obeys Continue</source>
   <translation>Gehorcht Continue</translation>
  </message>
  <message>
   <location filename="../../core/rig/abilities.py" />
   <source>Obeys Song Position</source>
   <translation>Gehorcht Songposition</translation>
  </message>
  <message>
   <location filename="../../core/rig/abilities.py" />
   <source>Obeys Song Select</source>
   <translation>Gehorcht Song Select</translation>
  </message>
  <message>
   <location filename="../../core/rig/abilities.py" />
   <source>Obeys notes</source>
   <translation>Gehorcht Noten</translation>
  </message>
  <message>
   <location filename="../../core/rig/abilities.py" />
   <source>Hears how hard</source>
   <translation>Hört, wie stark</translation>
  </message>
  <message>
   <location filename="../../core/rig/abilities.py" />
   <source>Listens on channels</source>
   <translation>Hört auf Kanäle</translation>
  </message>
  <message>
   <location filename="../../core/rig/abilities.py" />
   <source>Pattern change takes effect</source>
   <translation>Patternwechsel wirkt</translation>
  </message>
  <message>
   <location filename="../../core/rig/abilities.py" />
   <source>Start starts every track</source>
   <translation>Start startet jede Spur</translation>
  </message>
  <message>
   <location filename="../../core/rig/abilities.py" />
   <source>Tracks muted by one press</source>
   <translation>Spuren, die ein Druck stummschaltet</translation>
  </message>
  <message>
   <location filename="../../core/rig/abilities.py" />
   <source>Lowest tempo, BPM</source>
   <translation>Tiefstes Tempo, BPM</translation>
  </message>
  <message>
   <location filename="../../core/rig/abilities.py" />
   <source>Highest tempo, BPM</source>
   <translation>Höchstes Tempo, BPM</translation>
  </message>
  <message>
   <location filename="../../core/rig/abilities.py" />
   <source>Tempo steps of, BPM</source>
   <translation>Temposchritte von, BPM</translation>
  </message>
  <message>
   <location filename="../../core/rig/abilities.py" />
   <source>Told of a change ahead by, ms</source>
   <translation>Vorher angesagt um, ms</translation>
  </message>
  <message>
   <location filename="../../core/rig/abilities.py" />
   <source>From message to sound, ms</source>
   <translation>Von Meldung zu Klang, ms</translation>
  </message>
  <message>
   <location filename="../../core/rig/abilities.py" />
   <source>From input to what it passes on, ms</source>
   <translation>Von Eingang zu Weitergegebenem, ms</translation>
  </message>
  <message>
   <location filename="../../core/rig/abilities.py" />
   <source>Makes other clock rates</source>
   <translation>Macht andere Clockraten</translation>
  </message>
  <message>
   <location filename="../../core/rig/abilities.py" />
   <source>Opened by holding note</source>
   <translation>Geöffnet durch gehaltene Note</translation>
  </message>
  <message>
   <location filename="../../core/rig/abilities.py" />
   <source>On channel</source>
   <translation>Auf Kanal</translation>
  </message>
  <message>
   <location filename="../../core/rig/abilities.py" />
   <source>Closes</source>
   <translation>Schließt sich</translation>
  </message>
  <message>
   <location filename="../../core/rig/abilities.py" />
   <source>Old and mains-powered</source>
   <translation>Alt und am Netz</translation>
  </message>
  <message>
   <location filename="../../core/rig/abilities.py" />
   <source>Still guessed of it</source>
   <translation>Noch vermutet</translation>
  </message>
  <message>
   <location filename="../../core/rig/abilities.py" />
   <source>Pattern memory: banks</source>
   <translation>Patternspeicher: Bänke</translation>
  </message>
  <message>
   <location filename="../../core/rig/abilities.py" />
   <source>Groups in a bank</source>
   <translation>Gruppen in einer Bank</translation>
  </message>
  <message>
   <location filename="../../core/rig/abilities.py" />
   <source>Patterns in a group</source>
   <translation>Patterns in einer Gruppe</translation>
  </message>
  <message>
   <location filename="../../core/rig/abilities.py" />
   <source>To another group</source>
   <translation>In eine andere Gruppe</translation>
  </message>
  <message>
   <location filename="../../core/rig/abilities.py" />
   <source>Printed as</source>
   <translation>Gedruckt als</translation>
  </message>
  <message>
   <location filename="../../core/rig/abilities.py" />
   <source>Steps of a pattern, at most</source>
   <translation>Schritte eines Patterns, höchstens</translation>
  </message>
  <message>
   <location filename="../../core/rig/abilities.py" />
   <source>Step rates</source>
   <translation>Schrittweiten</translation>
  </message>
  <message>
   <location filename="../../core/rig/abilities.py" />
   <source>Swing levels, %</source>
   <translation>Swingstufen, %</translation>
  </message>
  <message>
   <location filename="../../core/rig/abilities.py" />
   <source>Flam levels</source>
   <translation>Flamstufen</translation>
  </message>
  <message>
   <location filename="../../core/rig/abilities.py" />
   <source>Flam widths, ms</source>
   <translation>Flamweiten, ms</translation>
  </message>
  <message>
   <location filename="../../core/rig/abilities.py" />
   <source>Velocity levels</source>
   <translation>Anschlagstufen</translation>
  </message>
  <message>
   <location filename="../../core/rig/abilities.py" />
   <source>Voices of a pattern</source>
   <translation>Stimmen eines Patterns</translation>
  </message>
  <message>
   <location filename="../../core/rig/abilities.py" />
   <source>Its patterns lack</source>
   <translation>Seinen Patterns fehlt</translation>
  </message>
  <message>
   <location filename="../../core/rig/abilities.py" />
   <source>Notes at once</source>
   <translation>Noten zugleich</translation>
  </message>
  <message>
   <location filename="../../core/rig/abilities.py" />
   <source>Chains</source>
   <translation>Ketten</translation>
  </message>
  <message>
   <location filename="../../core/rig/abilities.py" />
   <source>Patterns in a chain, at most</source>
   <translation>Patterns in einer Kette, höchstens</translation>
  </message>
  <message>
   <location filename="../../core/rig/abilities.py" />
   <source>Chains inside groups of</source>
   <translation>Ketten innerhalb Gruppen von</translation>
  </message>
  <message>
   <location filename="../../core/rig/abilities.py" />
   <source>The last one has to be marked</source>
   <translation>Das letzte muss markiert werden</translation>
  </message>
  <message>
   <location filename="../../core/rig/abilities.py" />
   <source>Writing over clears first</source>
   <translation>Überschreiben löscht zuerst</translation>
  </message>
  <message>
   <location filename="../../core/rig/abilities.py" />
   <source>Songs in its memory</source>
   <translation>Songs in seinem Speicher</translation>
  </message>
  <message>
   <location filename="../../core/rig/abilities.py" />
   <source>Bars of such a song, at most</source>
   <translation>Takte eines solchen Songs, höchstens</translation>
  </message>
  <message>
   <location filename="../../core/rig/abilities.py" />
   <source>Controller that holds a fill</source>
   <translation>Controller, der einen Fill hält</translation>
  </message>
  <message>
   <location filename="../../core/rig/abilities.py" />
   <source>Controller that records a track</source>
   <translation>Controller, der eine Spur aufnimmt</translation>
  </message>
  <message>
   <location filename="../../core/rig/abilities.py" />
   <source>Controller that plays a track</source>
   <translation>Controller, der eine Spur spielt</translation>
  </message>
  <message>
   <location filename="../../core/rig/abilities.py" />
   <source>Controller that stops a track</source>
   <translation>Controller, der eine Spur anhält</translation>
  </message>
  <message>
   <location filename="../../core/rig/abilities.py" />
   <source>Echo from, to, ms</source>
   <translation>Echo von, bis, ms</translation>
  </message>
  <message>
   <location filename="../../core/rig/abilities.py" />
   <source>Controller that freezes the echo</source>
   <translation>Controller, der das Echo einfriert</translation>
  </message>
  <message>
   <location filename="../../core/rig/abilities.py" />
   <source>Pads: rows</source>
   <translation>Pads: Zeilen</translation>
  </message>
  <message>
   <location filename="../../core/rig/abilities.py" />
   <source>Pads: columns</source>
   <translation>Pads: Spalten</translation>
  </message>
  <message>
   <location filename="../../core/rig/abilities.py" />
   <source>Note of pad 1</source>
   <translation>Note von Pad 1</translation>
  </message>
  <message>
   <location filename="../../core/rig/abilities.py" />
   <source>Pad 1 lies</source>
   <translation>Pad 1 liegt</translation>
  </message>
  <message>
   <location filename="../../core/rig/abilities.py" />
   <source>Way</source>
   <translation>Weg</translation>
  </message>
  <message>
   <location filename="../../core/rig/abilities.py" />
   <source>Rates</source>
   <translation>Raten</translation>
  </message>
  <message>
   <location filename="../../core/rig/abilities.py" />
   <source>Gives V</source>
   <translation>Gibt V</translation>
  </message>
  <message>
   <location filename="../../core/rig/abilities.py" />
   <source>Needs V</source>
   <translation>Braucht V</translation>
  </message>
  <message>
   <location filename="../../core/rig/abilities.py" />
   <source>Bears V</source>
   <translation>Verträgt V</translation>
  </message>
  <message>
   <location filename="../../core/rig/abilities.py" />
   <source>Edge</source>
   <translation>Flanke</translation>
  </message>
  <message>
   <location filename="../../core/rig/abilities.py" />
   <source>For</source>
   <translation>Für</translation>
  </message>
  <message>
   <location filename="../../core/rig/abilities.py" />
   <source>Knows clock</source>
   <translation>Kennt Clock</translation>
  </message>
  <message>
   <location filename="../../core/rig/abilities.py" />
   <source>One in</source>
   <translation>Eins von</translation>
  </message>
  <message>
   <location filename="../../core/rig/abilities.py" />
   <source>Times</source>
   <translation>Mal</translation>
  </message>
  <message>
   <location filename="../../core/rig/abilities.py" />
   <source>Count begins at</source>
   <translation>Zählt neu bei</translation>
  </message>
  <message>
   <location filename="../../core/rig/abilities.py" />
   <source>Can give</source>
   <translation>Kann geben</translation>
  </message>
  <message>
   <location filename="../../core/rig/abilities.py" />
   <source>Run line</source>
   <translation>Laufleitung</translation>
  </message>
  <message>
   <location filename="../../core/rig/abilities.py" />
   <source>To speakers</source>
   <translation>Zu Lautsprechern</translation>
  </message>
  <message>
   <location filename="../../core/rig/abilities.py" />
   <source>Voice</source>
   <translation>Stimme</translation>
  </message>
  <message>
   <location filename="../../core/rig/abilities.py" />
   <source>Cut off with</source>
   <translation>Abgeschnitten mit</translation>
  </message>
  <message>
   <location filename="../../core/rig/abilities.py" />
   <source>Pressed together for it</source>
   <translation>Dafür zusammen gedrückt</translation>
  </message>
  <message>
   <location filename="../../core/rig/abilities.py" />
   <source>Number</source>
   <translation>Nummer</translation>
  </message>
  <message>
   <location filename="../../core/rig/abilities.py" />
   <source>Only by hand</source>
   <translation>Nur von Hand</translation>
  </message>
  <message>
   <location filename="../../core/rig/abilities.py" />
   <source>With</source>
   <translation>Mit</translation>
  </message>
  <message>
   <location filename="../../core/rig/abilities.py" />
   <source>Does</source>
   <translation>Tut</translation>
  </message>
  <message>
   <location filename="../../core/rig/abilities.py" />
   <source>In peace, beforehand</source>
   <translation>In Ruhe, vorher</translation>
  </message>
  <message>
   <location filename="../../core/rig/abilities.py" />
   <source>Track</source>
   <translation>Spur</translation>
  </message>
  <message>
   <location filename="../../core/rig/abilities.py" />
   <source>Patterns of</source>
   <translation>Patterns von</translation>
  </message>
  <message>
   <location filename="../../core/rig/abilities.py" />
   <source>Program reaches</source>
   <translation>Program erreicht</translation>
  </message>
  <message>
   <location filename="../../core/rig/abilities.py" />
   <source>Mute controller</source>
   <translation>Stumm-Controller</translation>
  </message>
  <message>
   <location filename="../../core/rig/abilities.py" />
   <source>Sounds</source>
   <translation>Klänge</translation>
  </message>
  <message>
   <location filename="../../core/rig/abilities.py" />
   <source>Plays the box</source>
   <translation>Spielt das Gerät</translation>
  </message>
  <message>
   <location filename="../../core/rig/abilities.py" />
   <source>Steps, at most</source>
   <translation>Schritte, höchstens</translation>
  </message>
  <message>
   <location filename="../../core/rig/abilities.py" />
   <source>Muted by hand</source>
   <translation>Von Hand stumm</translation>
  </message>
  <message>
   <location filename="../../core/rig/abilities.py" />
   <source>Before it plays</source>
   <translation>Bevor es spielt</translation>
  </message>
  <message>
   <location filename="../../core/rig/abilities.py" />
   <source>Then wait, s</source>
   <translation>Dann warten, s</translation>
  </message>
  <message>
   <location filename="../../core/rig/abilities.py" />
   <source>Bank</source>
   <translation>Bank</translation>
  </message>
  <message>
   <location filename="../../core/rig/abilities.py" />
   <source>From note</source>
   <translation>Von Note</translation>
  </message>
  <message>
   <location filename="../../core/rig/abilities.py" />
   <source>To note</source>
   <translation>Bis Note</translation>
  </message>
  <message>
   <location filename="../../core/rig/abilities.py" />
   <source>Setting of</source>
   <translation>Einstellung für</translation>
  </message>
  <message>
   <location filename="../../core/rig/abilities.py" />
   <source>What it calls it</source>
   <translation>Wie es dort heißt</translation>
  </message>
  <message>
   <location filename="../../core/rig/abilities.py" />
   <source>Track {number}</source>
   <translation>Spur {number}</translation>
  </message>
  <message>
   <location filename="../../core/rig/abilities.py" />
   <source>press mute</source>
   <translation>Stummtaste drücken</translation>
  </message>
  <message>
   <location filename="../../core/rig/abilities.py" />
   <source>Voice {note}</source>
   <translation>Stimme {note}</translation>
  </message>
  <message>
   <location filename="../../core/rig/abilities.py" />
   <source>its menu</source>
   <translation>sein Menü</translation>
  </message>
  <message>
   <location filename="../../core/rig/abilities.py" />
   <source>{text_!r} names no sound with its note, such as Kick 36</source>
   <translation>{text_!r} nennt keinen Klang mit seiner Note, etwa Kick 36</translation>
  </message>
  <message>
   <location filename="../../core/rig/abilities.py" />
   <source>Move {value}</source>
   <translation>Griff {value}</translation>
  </message>
  <message>
   <location filename="../../core/rig/abilities.py" />
   <source>Step {number}</source>
   <translation>Schritt {number}</translation>
  </message>
  <message>
   <location filename="../../core/rig/abilities.py" />
   <source>{ability_words}: say yes or no, not {text_!r}</source>
   <translation>{ability_words}: sag yes oder no, nicht {text_!r}</translation>
  </message>
  <message>
   <location filename="../../core/rig/blank.py" />
   <source>New box</source>
   <translation>Neues Gerät</translation>
  </message>
  <message>
   <location filename="../../core/rig/blank.py" />
   <source>its own patterns</source>
   <translation>eigene Patterns</translation>
  </message>
  <message>
   <location filename="../../core/rig/blank.py" />
   <source>what Grebe plays</source>
   <translation>was Grebe spielt</translation>
  </message>
  <message>
   <location filename="../../core/rig/blank.py" />
   <source>at its pattern's end</source>
   <translation>am Patternende</translation>
  </message>
  <message>
   <location filename="../../core/rig/blank.py" />
   <source>on the bar</source>
   <translation>auf dem Takt</translation>
  </message>
  <message>
   <location filename="../../core/rig/blank.py" />
   <source>at once</source>
   <translation>sofort</translation>
  </message>
  <message>
   <location filename="../../core/rig/blank.py" />
   <source>What one can see</source>
   <translation>Was man sehen kann</translation>
  </message>
  <message>
   <location filename="../../core/rig/blank.py" />
   <source>What its manual's chart says</source>
   <translation>Was die Tabelle im Handbuch sagt</translation>
  </message>
  <message>
   <location filename="../../core/rig/blank.py" />
   <source>What it keeps</source>
   <translation>Was es behält</translation>
  </message>
  <message>
   <location filename="../../core/rig/blank.py" />
   <source>what it is for</source>
   <translation>wofür es ist</translation>
  </message>
  <message>
   <location filename="../../core/rig/blank.py" />
   <source>who plays it</source>
   <translation>wer es spielt</translation>
  </message>
  <message>
   <location filename="../../core/rig/blank.py" />
   <source>its channel</source>
   <translation>sein Kanal</translation>
  </message>
  <message>
   <location filename="../../core/rig/blank.py" />
   <source>its sockets</source>
   <translation>seine Buchsen</translation>
  </message>
  <message>
   <location filename="../../core/rig/blank.py" />
   <source>how many loop tracks it has</source>
   <translation>wie viele Loop-Spuren es hat</translation>
  </message>
  <message>
   <location filename="../../core/rig/blank.py" />
   <source>when it changes pattern</source>
   <translation>wann es das Pattern wechselt</translation>
  </message>
  <message>
   <location filename="../../core/rig/blank.py" />
   <source>whether it obeys clock</source>
   <translation>ob es Clock gehorcht</translation>
  </message>
  <message>
   <location filename="../../core/rig/blank.py" />
   <source>whether it obeys Start and Stop</source>
   <translation>ob es Start und Stopp gehorcht</translation>
  </message>
  <message>
   <location filename="../../core/rig/blank.py" />
   <source>whether it obeys Song Position</source>
   <translation>ob es Songposition gehorcht</translation>
  </message>
  <message>
   <location filename="../../core/rig/blank.py" />
   <source>whether it obeys program changes</source>
   <translation>ob es Programmwechseln gehorcht</translation>
  </message>
  <message>
   <location filename="../../core/rig/blank.py" />
   <source>whether it obeys notes</source>
   <translation>ob es Noten gehorcht</translation>
  </message>
  <message>
   <location filename="../../core/rig/blank.py" />
   <source>whether it sends clock</source>
   <translation>ob es Clock sendet</translation>
  </message>
  <message>
   <location filename="../../core/rig/blank.py" />
   <source>whether it sends notes</source>
   <translation>ob es Noten sendet</translation>
  </message>
  <message>
   <location filename="../../core/rig/blank.py" />
   <source>MIDI in</source>
   <translation>MIDI-Eingang</translation>
  </message>
  <message>
   <location filename="../../core/rig/blank.py" />
   <source>MIDI out</source>
   <translation>MIDI-Ausgang</translation>
  </message>
  <message>
   <location filename="../../core/rig/blank.py" />
   <source>MIDI thru</source>
   <translation>MIDI-Thru</translation>
  </message>
  <message>
   <location filename="../../core/rig/blank.py" />
   <source>USB, to a computer</source>
   <translation>USB, zum Computer</translation>
  </message>
  <message>
   <location filename="../../core/rig/blank.py" />
   <source>Clock or pulse in</source>
   <translation>Clock- oder Pulseingang</translation>
  </message>
  <message>
   <location filename="../../core/rig/blank.py" />
   <source>Clock or pulse out</source>
   <translation>Clock- oder Pulsausgang</translation>
  </message>
  <message>
   <location filename="../../core/rig/blank.py" />
   <source>Sync in, a round plug</source>
   <translation>Sync-Eingang, runder Stecker</translation>
  </message>
  <message>
   <location filename="../../core/rig/blank.py" />
   <source>Sync out, a round plug</source>
   <translation>Sync-Ausgang, runder Stecker</translation>
  </message>
  <message>
   <location filename="../../core/rig/blank.py" />
   <source>Audio in</source>
   <translation>Audioeingang</translation>
  </message>
  <message>
   <location filename="../../core/rig/blank.py" />
   <source>Its name</source>
   <translation>Sein Name</translation>
  </message>
  <message>
   <location filename="../../core/rig/blank.py" />
   <source>As you call it on stage.</source>
   <translation>Wie du es auf der Bühne nennst.</translation>
  </message>
  <message>
   <location filename="../../core/rig/blank.py" />
   <source>What is it for?</source>
   <translation>Wofür ist es?</translation>
  </message>
  <message>
   <location filename="../../core/rig/blank.py" />
   <source>Drums get a voice a note, a bass one line of notes.</source>
   <translation>Drums bekommen je Note eine Stimme, ein Bass eine Notenlinie.</translation>
  </message>
  <message>
   <location filename="../../core/rig/blank.py" />
   <source>In a few words</source>
   <translation>In wenigen Worten</translation>
  </message>
  <message>
   <location filename="../../core/rig/blank.py" />
   <source>So that it is found in lists.</source>
   <translation>Damit es in Listen gefunden wird.</translation>
  </message>
  <message>
   <location filename="../../core/rig/blank.py" />
   <source>It plays</source>
   <translation>Es spielt</translation>
  </message>
  <message>
   <location filename="../../core/rig/blank.py" />
   <source>Either Grebe tells it which of its own patterns, or plays it note by note. Never both.</source>
   <translation>Entweder sagt Grebe ihm, welches seiner eigenen Patterns, oder spielt es Note für Note. Nie beides.</translation>
  </message>
  <message>
   <location filename="../../core/rig/blank.py" />
   <source>Its sockets</source>
   <translation>Seine Buchsen</translation>
  </message>
  <message>
   <location filename="../../core/rig/blank.py" />
   <source>Cables are proposed from them.</source>
   <translation>Aus ihnen werden Kabel vorgeschlagen.</translation>
  </message>
  <message>
   <location filename="../../core/rig/blank.py" />
   <source>Its channel</source>
   <translation>Sein Kanal</translation>
  </message>
  <message>
   <location filename="../../core/rig/blank.py" />
   <source>Printed on it, or in its menu under MIDI. Empty: 1, as most boxes come.</source>
   <translation>Aufgedruckt, oder im Menü unter MIDI. Leer: 1, wie die meisten kommen.</translation>
  </message>
  <message>
   <location filename="../../core/rig/blank.py" />
   <source>Patterns it keeps</source>
   <translation>Patterns, die es behält</translation>
  </message>
  <message>
   <location filename="../../core/rig/blank.py" />
   <source>Such as 128, or 8 x 16 for eight banks of sixteen.</source>
   <translation>Wie 128, oder 8 x 16 für acht Bänke zu sechzehn.</translation>
  </message>
  <message>
   <location filename="../../core/rig/blank.py" />
   <source>Steps of a pattern</source>
   <translation>Schritte eines Patterns</translation>
  </message>
  <message>
   <location filename="../../core/rig/blank.py" />
   <source>The longest one.</source>
   <translation>Des längsten.</translation>
  </message>
  <message>
   <location filename="../../core/rig/blank.py" />
   <source>When it is told to while it plays.</source>
   <translation>Wenn es beim Spielen angesagt wird.</translation>
  </message>
  <message>
   <location filename="../../core/rig/blank.py" />
   <source>Of a looper: how many.</source>
   <translation>Eines Loopers: wie viele.</translation>
  </message>
  <message>
   <location filename="../../core/rig/blank.py" />
   <source>patterns it keeps: such as 128, or 8 x 16 (got {text_!r})</source>
   <translation>Patterns, die es behält: wie 128, oder 8 x 16 (bekommen: {text_!r})</translation>
  </message>
  <message>
   <location filename="../../core/rig/blank.py" />
   <source>loop tracks: from 0 to 64 (got {number})</source>
   <translation>Loop-Spuren: von 0 bis 64 (bekommen: {number})</translation>
  </message>
  <message>
   <location filename="../../core/rig/blank.py" />
   <source>patterns it keeps: from 1 to 128 in a bank, 128 banks at most</source>
   <translation>Patterns, die es behält: von 1 bis 128 in einer Bank, höchstens 128 Bänke</translation>
  </message>
  <message>
   <location filename="../../core/rig/blank.py" />
   <source>In the chart: System Real Time, Clock, Recognized.</source>
   <translation>In der Tabelle: System Real Time, Clock, Recognized.</translation>
  </message>
  <message>
   <location filename="../../core/rig/blank.py" />
   <source>System Real Time, Commands, Recognized.</source>
   <translation>System Real Time, Commands, Recognized.</translation>
  </message>
  <message>
   <location filename="../../core/rig/blank.py" />
   <source>System Common, Song Position: it can run from the middle of a song.</source>
   <translation>System Common, Song Position: es kann mitten im Song loslaufen.</translation>
  </message>
  <message>
   <location filename="../../core/rig/blank.py" />
   <source>Program Change, Recognized: then Grebe chooses its patterns.</source>
   <translation>Program Change, Recognized: dann wählt Grebe seine Patterns.</translation>
  </message>
  <message>
   <location filename="../../core/rig/blank.py" />
   <source>Note Number, Recognized.</source>
   <translation>Note Number, Recognized.</translation>
  </message>
  <message>
   <location filename="../../core/rig/blank.py" />
   <source>Clock, Transmitted: then it could lead.</source>
   <translation>Clock, Transmitted: dann könnte es führen.</translation>
  </message>
  <message>
   <location filename="../../core/rig/blank.py" />
   <source>Note Number, Transmitted: keys or pads.</source>
   <translation>Note Number, Transmitted: Tasten oder Pads.</translation>
  </message>
  <message>
   <location filename="../../core/rig/channels.py" />
   <source>Channel {number}</source>
   <translation>Kanal {number}</translation>
  </message>
  <message>
   <location filename="../../core/rig/chart.py" />
   <source>controller {number} stands there already, as {name}</source>
   <translation>Controller {number} steht schon da, als {name}</translation>
  </message>
  <message>
   <location filename="../../core/rig/chart.py" />
   <source>note {note} stands there already, for {name}</source>
   <translation>Note {note} steht schon da, für {name}</translation>
  </message>
  <message>
   <location filename="../../core/rig/chart.py" />
   <source>no controller number in it</source>
   <translation>keine Controllernummer darin</translation>
  </message>
  <message>
   <location filename="../../core/rig/chart.py" />
   <source>{number} is no controller: {low} to {high}</source>
   <translation>{number} ist kein Controller: {low} bis {high}</translation>
  </message>
  <message>
   <location filename="../../core/rig/chart.py" />
   <source>no note in it</source>
   <translation>keine Note darin</translation>
  </message>
  <message>
   <location filename="../../core/rig/chart.py" />
   <source>{note} is no note: {low} to {high}</source>
   <translation>{note} ist keine Note: {low} bis {high}</translation>
  </message>
  <message>
   <location filename="../../core/rig/chart.py" />
   <source>{name} stands there already</source>
   <translation>{name} steht schon da</translation>
  </message>
  <message>
   <location filename="../../core/rig/edits.py" />
   <source>a rig holds {max_devices} devices</source>
   <translation>ein Rig fasst {max_devices} Geräte</translation>
  </message>
  <message>
   <location filename="../../core/rig/edits.py" />
   <source>a part in {names}</source>
   <translation>ein Part in {names}</translation>
  </message>
  <message>
   <location filename="../../core/rig/edits.py" />
   <source>it leads the clock</source>
   <translation>es führt die Clock</translation>
  </message>
  <message>
   <location filename="../../core/rig/edits.py" />
   <source>a cable leads from one device to another</source>
   <translation>ein Kabel führt von einem Gerät zu einem anderen</translation>
  </message>
  <message>
   <location filename="../../core/rig/edits.py" />
   <source>a rig holds {max_cables} cables</source>
   <translation>ein Rig fasst {max_cables} Kabel</translation>
  </message>
  <message>
   <location filename="../../core/rig/edits.py" />
   <source>a route leads from one device to another</source>
   <translation>eine Route führt von einem Gerät zu einem anderen</translation>
  </message>
  <message>
   <location filename="../../core/rig/edits.py" />
   <source>{box} already has a route to {box2}</source>
   <translation>{box} hat schon eine Route zu {box2}</translation>
  </message>
  <message>
   <location filename="../../core/rig/edits.py" />
   <source>there is no such {what}</source>
   <translation>es gibt kein solches: {what}</translation>
  </message>
  <message>
   <location filename="../../core/rig/formatting.py" />
   <source>all</source>
   <translation>alles</translation>
  </message>
  <message>
   <location filename="../../core/rig/formatting.py" />
   <source>all but clock</source>
   <translation>alles außer Clock</translation>
  </message>
  <message>
   <location filename="../../core/rig/formatting.py" />
   <source>all but notes</source>
   <translation>alles außer Noten</translation>
  </message>
  <message>
   <location filename="../../core/rig/formatting.py" />
   <source>all but program</source>
   <translation>alles außer Programm</translation>
  </message>
  <message>
   <location filename="../../core/rig/formatting.py" />
   <source>clock, start</source>
   <translation>Clock, Start</translation>
  </message>
  <message>
   <location filename="../../core/rig/formatting.py" />
   <source>{width_ms:g} ms</source>
   <translation>{width_ms:g} ms</translation>
  </message>
  <message>
   <location filename="../../core/rig/formatting.py" />
   <source>{names} and {names2}</source>
   <translation>{names} und {names2}</translation>
  </message>
  <message>
   <location filename="../../core/rig/formatting.py" />
   <source>cc {number}</source>
   <translation>cc {number}</translation>
  </message>
  <message>
   <location filename="../../core/rig/formatting.py" />
   <source>all but {names}</source>
   <translation>alles außer {names}</translation>
  </message>
  <message>
   <location filename="../../core/rig/formatting.py" />
   <source>a width goes up to 1000 ms, or to under 100 % of the way to the next pulse</source>
   <translation>eine Breite geht bis 1000 ms, oder bis unter 100 % des Weges zum nächsten Puls</translation>
  </message>
  <message>
   <location filename="../../core/rig/formatting.py" />
   <source>rates go up to 96 pulses a quarter note (got {text_})</source>
   <translation>Raten gehen bis 96 Pulse je Viertelnote (bekommen: {text_})</translation>
  </message>
  <message>
   <location filename="../../core/rig/formatting.py" />
   <source>MIDI clock {rate}</source>
   <translation>MIDI-Clock {rate}</translation>
  </message>
  <message>
   <location filename="../../core/rig/formatting.py" />
   <source>channel {channel}</source>
   <translation>Kanal {channel}</translation>
  </message>
  <message>
   <location filename="../../core/rig/formatting.py" />
   <source>say yes, no, or a channel and an offset, such as channel 10 -24 (got {text_!r})</source>
   <translation>sag ja, nein oder einen Kanal und einen Versatz, etwa channel 10 -24 (war {text_!r})</translation>
  </message>
  <message>
   <location filename="../../core/rig/formatting.py" />
   <source>each gate has a channel of its own</source>
   <translation>jedes Gate hat einen eigenen Kanal</translation>
  </message>
  <message>
   <location filename="../../core/rig/formatting.py" />
   <source>a rate is a number of pulses a quarter note (got {text_!r})</source>
   <translation>eine Rate ist eine Zahl von Pulsen je Viertelnote (bekommen: {text_!r})</translation>
  </message>
  <message>
   <location filename="../../core/rig/formatting.py" />
   <source>own clock</source>
   <translation>eigene Clock</translation>
  </message>
  <message>
   <location filename="../../core/rig/formatting.py" />
   <source>own clock and thru</source>
   <translation>eigene Clock und Thru</translation>
  </message>
  <message>
   <location filename="../../core/rig/formatting.py" />
   <source>a width is a number with ms or %, such as 5 ms (got {text_!r})</source>
   <translation>eine Breite ist eine Zahl mit ms oder %, wie 5 ms (bekommen: {text_!r})</translation>
  </message>
  <message>
   <location filename="../../core/rig/formatting.py" />
   <source>a gate is a note and where it leaves, such as 36 JACK, or 38 3 of an interface; one after another with semicolons (got {text_!r})</source>
   <translation>ein Gate ist eine Note und wo sie herauskommt, etwa 36 JACK oder 38 3 of einem Interface; mehrere mit Semikolon (war {text_!r})</translation>
  </message>
  <message>
   <location filename="../../core/rig/formatting.py" />
   <source>{part!r} is not known; say all, nothing, or some of: {names}, cc 7</source>
   <translation>{part!r} ist nicht bekannt; sag all, nothing, oder einiges von: {names}, cc 7</translation>
  </message>
  <message>
   <location filename="../../core/rig/formatting.py" />
   <source>a gate's note goes from 0 to 127, its channel from 1 to 64 (got {text_!r})</source>
   <translation>die Note eines Gates geht von 0 bis 127, sein Kanal von 1 bis 64 (war {text_!r})</translation>
  </message>
  <message>
   <location filename="../../core/rig/improved.py" />
   <source>Jacks</source>
   <translation>Buchsen</translation>
  </message>
  <message>
   <location filename="../../core/rig/improved.py" />
   <source>Voices</source>
   <translation>Stimmen</translation>
  </message>
  <message>
   <location filename="../../core/rig/improved.py" />
   <source>Controllers</source>
   <translation>Controller</translation>
  </message>
  <message>
   <location filename="../../core/rig/improved.py" />
   <source>Tracks</source>
   <translation>Spuren</translation>
  </message>
  <message>
   <location filename="../../core/rig/improved.py" />
   <source>row</source>
   <translation>Zeile</translation>
  </message>
  <message>
   <location filename="../../core/rig/improved.py" />
   <source>rows</source>
   <translation>Zeilen</translation>
  </message>
  <message>
   <location filename="../../core/rig/joining.py" />
   <source>there are no two boxes to make one of</source>
   <translation>es gibt keine zwei Geräte, aus denen eines werden könnte</translation>
  </message>
  <message>
   <location filename="../../core/rig/joining.py" />
   <source>{name} has tracks of its own</source>
   <translation>{name} hat eigene Spuren</translation>
  </message>
  <message>
   <location filename="../../core/rig/joining.py" />
   <source>{name} has {count} tracks already</source>
   <translation>{name} hat schon {count} Spuren</translation>
  </message>
  <message>
   <location filename="../../core/rig/memory.py" />
   <source>{device} has places 0 to {value} as sent (got {program})</source>
   <translation>{device} hat Plätze von 0 bis {value}, wie gesendet (bekommen: {program})</translation>
  </message>
  <message>
   <location filename="../../core/rig/memory.py" />
   <source>{printed} of {device} holds {there}</source>
   <translation>auf {printed} von {device} liegt {there}</translation>
  </message>
  <message>
   <location filename="../../core/rig/model.py" />
   <source>the session</source>
   <translation>die Sitzung</translation>
  </message>
  <message>
   <location filename="../../core/rig/profile_check.py" />
   <source>two jacks have the id {jack_id}</source>
   <translation>zwei Buchsen haben die id {jack_id}</translation>
  </message>
  <message>
   <location filename="../../core/rig/profile_check.py" />
   <source>there is a thru but no input for it to repeat</source>
   <translation>es gibt einen Thru, aber keinen Eingang, den er wiederholen könnte</translation>
  </message>
  <message>
   <location filename="../../core/rig/profile_check.py" />
   <source>{jack} is {kind}: only pulse and sync jacks have rates</source>
   <translation>{jack} ist {kind}: nur Puls- und Sync-Buchsen haben Raten</translation>
  </message>
  <message>
   <location filename="../../core/rig/profile_check.py" />
   <source>{jack} is an input: it gives no level</source>
   <translation>{jack} ist ein Eingang: er gibt keinen Pegel</translation>
  </message>
  <message>
   <location filename="../../core/rig/profile_check.py" />
   <source>{jack} needs more than it bears</source>
   <translation>{jack} braucht mehr, als es verträgt</translation>
  </message>
  <message>
   <location filename="../../core/rig/profile_check.py" />
   <source>{jack} is {kind}: only audio goes to speakers</source>
   <translation>{jack} ist {kind}: nur Audio geht an Lautsprecher</translation>
  </message>
  <message>
   <location filename="../../core/rig/profile_check.py" />
   <source>{jack} is {kind}: thru repeats MIDI, sync or pulses</source>
   <translation>{jack} ist {kind}: Thru wiederholt MIDI, Sync oder Pulse</translation>
  </message>
  <message>
   <location filename="../../core/rig/profile_check.py" />
   <source>it sends clock but has no output to send it on</source>
   <translation>es sendet Clock, hat aber keinen Ausgang dafür</translation>
  </message>
  <message>
   <location filename="../../core/rig/profile_check.py" />
   <source>it obeys clock but has no input that takes one</source>
   <translation>es gehorcht einer Clock, hat aber keinen Eingang, der eine nimmt</translation>
  </message>
  <message>
   <location filename="../../core/rig/profile_check.py" />
   <source>it obeys Continue but not Start</source>
   <translation>es gehorcht Continue, aber nicht Start</translation>
  </message>
  <message>
   <location filename="../../core/rig/profile_check.py" />
   <source>{low:g} BPM is above its highest, {high:g}</source>
   <translation>{low:g} BPM liegt über seinem höchsten, {high:g}</translation>
  </message>
  <message>
   <location filename="../../core/rig/profile_check.py" />
   <source>it has a length but no rule</source>
   <translation>es hat eine Länge, aber keine Regel</translation>
  </message>
  <message>
   <location filename="../../core/rig/profile_check.py" />
   <source>a chain of no patterns</source>
   <translation>eine Kette ohne Patterns</translation>
  </message>
  <message>
   <location filename="../../core/rig/profile_check.py" />
   <source>neighbours of a group: say how many patterns that has</source>
   <translation>Nachbarn einer Gruppe: sag, wie viele Patterns die hat</translation>
  </message>
  <message>
   <location filename="../../core/rig/profile_check.py" />
   <source>a group belongs to the rules neighbours and row alone</source>
   <translation>eine Gruppe gehört nur zu den Regeln neighbours und row</translation>
  </message>
  <message>
   <location filename="../../core/rig/profile_check.py" />
   <source>a group of {group} in a memory of {size}</source>
   <translation>eine Gruppe von {group} in einem Speicher von {size}</translation>
  </message>
  <message>
   <location filename="../../core/rig/profile_check.py" />
   <source>levels rise from straight, each once</source>
   <translation>Stufen steigen von gerade an, jede einmal</translation>
  </message>
  <message>
   <location filename="../../core/rig/profile_check.py" />
   <source>two voices are called {name}</source>
   <translation>zwei Stimmen heißen {name}</translation>
  </message>
  <message>
   <location filename="../../core/rig/profile_check.py" />
   <source>two voices are on note {note}</source>
   <translation>zwei Stimmen liegen auf Note {note}</translation>
  </message>
  <message>
   <location filename="../../core/rig/profile_check.py" />
   <source>controller {number} stands there twice</source>
   <translation>Controller {number} steht zweimal da</translation>
  </message>
  <message>
   <location filename="../../core/rig/profile_check.py" />
   <source>give the shortest and the longest time</source>
   <translation>nenne die kürzeste und die längste Zeit</translation>
  </message>
  <message>
   <location filename="../../core/rig/profile_check.py" />
   <source>Start starts all of it, but it does not obey Start</source>
   <translation>Start startet alles davon, aber es gehorcht Start nicht</translation>
  </message>
  <message>
   <location filename="../../core/rig/profile_check.py" />
   <source>controller {mute_controller} is not in its chart</source>
   <translation>Controller {mute_controller} steht nicht in seiner Tabelle</translation>
  </message>
  <message>
   <location filename="../../core/rig/profile_check.py" />
   <source>Grebe is to play it, but it obeys no notes</source>
   <translation>Grebe soll es spielen, aber es gehorcht keinen Noten</translation>
  </message>
  <message>
   <location filename="../../core/rig/profile_check.py" />
   <source>{jack} is {kind}: it has no pulse level</source>
   <translation>{jack} ist {kind}: es hat keinen Pulspegel</translation>
  </message>
  <message>
   <location filename="../../core/rig/profile_check.py" />
   <source>{jack} is an output: it takes no level</source>
   <translation>{jack} ist ein Ausgang: er nimmt keinen Pegel</translation>
  </message>
  <message>
   <location filename="../../core/rig/profile_check.py" />
   <source>it sends {name} but has no MIDI output</source>
   <translation>es sendet {name}, hat aber keinen MIDI-Ausgang</translation>
  </message>
  <message>
   <location filename="../../core/rig/profile_check.py" />
   <source>it obeys {replace} but has no MIDI input</source>
   <translation>es gehorcht {replace}, hat aber keinen MIDI-Eingang</translation>
  </message>
  <message>
   <location filename="../../core/rig/profile_check.py" />
   <source>it chains patterns but has no pattern memory</source>
   <translation>es kettet Patterns, hat aber keinen Patternspeicher</translation>
  </message>
  <message>
   <location filename="../../core/rig/profile_check.py" />
   <source>{size} patterns: program changes reach only 128</source>
   <translation>{size} Patterns: Programmwechsel reichen nur bis 128</translation>
  </message>
  <message>
   <location filename="../../core/rig/profile_check.py" />
   <source>it has groups, so places are printed as bank_group</source>
   <translation>es hat Gruppen, also stehen Plätze darauf als bank_group</translation>
  </message>
  <message>
   <location filename="../../core/rig/profile_check.py" />
   <source>over 26 banks cannot be printed as letters</source>
   <translation>über 26 Bänke lassen sich nicht als Buchstaben aufdrucken</translation>
  </message>
  <message>
   <location filename="../../core/rig/profile_check.py" />
   <source>{row} begins above its end</source>
   <translation>{row} beginnt über seinem Ende</translation>
  </message>
  <message>
   <location filename="../../core/rig/propose.py" />
   <source>reaches {locks} as cabled and could reach {could}</source>
   <translation>erreicht {locks}, wie verkabelt, und könnte {could} erreichen</translation>
  </message>
  <message>
   <location filename="../../core/rig/propose.py" />
   <source>wavers by {jitter:g} ms</source>
   <translation>schwankt um {jitter:g} ms</translation>
  </message>
  <message>
   <location filename="../../core/rig/propose.py" />
   <source>obeys no clock itself, so it has to</source>
   <translation>gehorcht selbst keiner Clock, also muss es</translation>
  </message>
  <message>
   <location filename="../../core/rig/propose.py" />
   <source>its loops hold the tempo</source>
   <translation>seine Loops halten das Tempo</translation>
  </message>
  <message>
   <location filename="../../core/rig/setup.py" />
   <source>Set monitor levels low first. 85 dBA is safe for eight hours, 100 dBA for a quarter of one (NIOSH 98-126).</source>
   <translation>Stell die Monitore zuerst leise. 85 dBA sind acht Stunden lang sicher, 100 dBA eine Viertelstunde (NIOSH 98-126).</translation>
  </message>
  <message>
   <location filename="../../core/rig/setup.py" />
   <source>Check the pulse's voltage against the input before plugging: 3.3 V small boxes, 5 V logic, 10 V modular. Never into an audio input, speakers or headphones.</source>
   <translation>Prüf die Spannung des Pulses am Eingang, bevor du steckst: 3,3 V kleine Geräte, 5 V Logik, 10 V modular. Nie in einen Audioeingang, Lautsprecher oder Kopfhörer.</translation>
  </message>
  <message>
   <location filename="../../core/rig/setup.py" />
   <source>Old and mains-powered: leave it earthed, whatever it hums; isolate the audio instead. Opening it is for a qualified technician, and the venue's electrical rules come first.</source>
   <translation>Alt und am Netz: lass es geerdet, wie sehr es auch brummt; trenne stattdessen das Audio. Öffnen ist Sache einer qualifizierten Fachkraft, und die Elektrovorschriften des Hauses gehen vor.</translation>
  </message>
  <message>
   <location filename="../../core/rig/setup.py" />
   <source>Switch on</source>
   <translation>Einschalten</translation>
  </message>
  <message>
   <location filename="../../core/rig/setup.py" />
   <source>Before</source>
   <translation>Vorher</translation>
  </message>
  <message>
   <location filename="../../core/rig/setup.py" />
   <source>Receive</source>
   <translation>Empfang</translation>
  </message>
  <message>
   <location filename="../../core/rig/setup.py" />
   <source>Send</source>
   <translation>Senden</translation>
  </message>
  <message>
   <location filename="../../core/rig/setup.py" />
   <source>Care</source>
   <translation>Vorsicht</translation>
  </message>
  <message>
   <location filename="../../core/rig/setup.py" />
   <source> Guessed: {names}.</source>
   <translation> Geraten: {names}.</translation>
  </message>
  <message>
   <location filename="../../core/rig/setup.py" />
   <source>{number}: {source} into {jack}.</source>
   <translation>{number}: {source} in {jack}.</translation>
  </message>
  <message>
   <location filename="../../core/rig/setup.py" />
   <source>pulses</source>
   <translation>Pulse</translation>
  </message>
  <message>
   <location filename="../../core/rig/setup.py" />
   <source>everything</source>
   <translation>alles</translation>
  </message>
  <message>
   <location filename="../../core/rig/setup.py" />
   <source> at {into}</source>
   <translation> an {into}</translation>
  </message>
  <message>
   <location filename="../../core/rig/setup.py" />
   <source>, by way of {source}</source>
   <translation>, über {source}</translation>
  </message>
  <message>
   <location filename="../../core/rig/setup.py" />
   <source>It starts and stops with the rest.</source>
   <translation>Es startet und hält mit den übrigen.</translation>
  </message>
  <message>
   <location filename="../../core/rig/setup.py" />
   <source>in Grebe, nothing to set on the box</source>
   <translation>in Grebe, am Gerät ist nichts einzustellen</translation>
  </message>
  <message>
   <location filename="../../core/rig/setup.py" />
   <source>on the box: Grebe does not reach it</source>
   <translation>am Gerät: Grebe erreicht es nicht</translation>
  </message>
  <message>
   <location filename="../../core/rig/setup.py" />
   <source>It carries {through} too.</source>
   <translation>Er trägt auch {through}.</translation>
  </message>
  <message>
   <location filename="../../core/rig/setup.py" />
   <source>It carries nothing else.</source>
   <translation>Er trägt sonst nichts.</translation>
  </message>
  <message>
   <location filename="../../core/rig/setup.py" />
   <source>Begin with all levels down.</source>
   <translation>Beginn mit allen Pegeln unten.</translation>
  </message>
  <message>
   <location filename="../../core/rig/setup.py" />
   <source>Channels of {desk}</source>
   <translation>Kanäle von {desk}</translation>
  </message>
  <message>
   <location filename="../../core/rig/setup.py" />
   <source>what is plugged where</source>
   <translation>was wo steckt</translation>
  </message>
  <message>
   <location filename="../../core/rig/setup.py" />
   <source>Switching on</source>
   <translation>Einschalten</translation>
  </message>
  <message>
   <location filename="../../core/rig/setup.py" />
   <source>in this order</source>
   <translation>in dieser Reihenfolge</translation>
  </message>
  <message>
   <location filename="../../core/rig/setup.py" />
   <source>It has to be pressed then.</source>
   <translation>Es muss dann gedrückt werden.</translation>
  </message>
  <message>
   <location filename="../../core/rig/setup.py" />
   <source>{medium} input</source>
   <translation>{medium}-Eingang</translation>
  </message>
  <message>
   <location filename="../../core/rig/setup.py" />
   <source>{medium} output</source>
   <translation>{medium}-Ausgang</translation>
  </message>
  <message>
   <location filename="../../core/rig/setup.py" />
   <source>audio</source>
   <translation>Audio</translation>
  </message>
  <message>
   <location filename="../../core/rig/setup.py" />
   <source>what it only listens to</source>
   <translation>das, worauf es nur hört</translation>
  </message>
  <message>
   <location filename="../../core/rig/setup.py" />
   <source>Clock from outside{where}.</source>
   <translation>Clock von außen{where}.</translation>
  </message>
  <message>
   <location filename="../../core/rig/setup.py" />
   <source>It follows {leader}{by_way}.</source>
   <translation>Es folgt {leader}{by_way}.</translation>
  </message>
  <message>
   <location filename="../../core/rig/setup.py" />
   <source>It must not start with the rest.</source>
   <translation>Es darf nicht mit den übrigen starten.</translation>
  </message>
  <message>
   <location filename="../../core/rig/setup.py" />
   <source>It is started by hand.</source>
   <translation>Es wird von Hand gestartet.</translation>
  </message>
  <message>
   <location filename="../../core/rig/setup.py" />
   <source>Channel {channel}.</source>
   <translation>Kanal {channel}.</translation>
  </message>
  <message>
   <location filename="../../core/rig/setup.py" />
   <source>Its notes and programs are sent there.</source>
   <translation>Dorthin werden seine Noten und Programme gesendet.</translation>
  </message>
  <message>
   <location filename="../../core/rig/setup.py" />
   <source>{track}: channel {channel}.</source>
   <translation>{track}: Kanal {channel}.</translation>
  </message>
  <message>
   <location filename="../../core/rig/setup.py" />
   <source>What it plays is sent there, apart from the other tracks.</source>
   <translation>Was sie spielt, geht dorthin, getrennt von den anderen Spuren.</translation>
  </message>
  <message>
   <location filename="../../core/rig/setup.py" />
   <source>MIDI output</source>
   <translation>MIDI-Ausgang</translation>
  </message>
  <message>
   <location filename="../../core/rig/setup.py" />
   <source>Somebody follows it.</source>
   <translation>Jemand folgt ihm.</translation>
  </message>
  <message>
   <location filename="../../core/rig/setup.py" />
   <source>Nobody is to follow it.</source>
   <translation>Niemand soll ihm folgen.</translation>
  </message>
  <message>
   <location filename="../../core/rig/setup.py" />
   <source>{offset_ms:+g} ms, {where}.</source>
   <translation>{offset_ms:+g} ms, {where}.</translation>
  </message>
  <message>
   <location filename="../../core/rig/setup.py" />
   <source>So that it sounds on the beat.</source>
   <translation>Damit es auf dem Schlag klingt.</translation>
  </message>
  <message>
   <location filename="../../core/rig/setup.py" />
   <source>Program changes from outside on.</source>
   <translation>Programmwechsel von außen an.</translation>
  </message>
  <message>
   <location filename="../../core/rig/setup.py" />
   <source>Grebe tells it which pattern.</source>
   <translation>Grebe sagt ihm, welches Pattern.</translation>
  </message>
  <message>
   <location filename="../../core/rig/setup.py" />
   <source>Look at its plug and cable; keep it earthed.</source>
   <translation>Sieh nach Stecker und Kabel; lass es geerdet.</translation>
  </message>
  <message>
   <location filename="../../core/rig/setup.py" />
   <source>Measure the pulse before plugging it.</source>
   <translation>Miss den Puls, bevor du steckst.</translation>
  </message>
  <message>
   <location filename="../../core/rig/setup.py" />
   <source>Start with the level down.</source>
   <translation>Beginn mit heruntergedrehtem Pegel.</translation>
  </message>
  <message>
   <location filename="../../core/rig/setup.py" />
   <source>{source}'s {what} into {where}.</source>
   <translation>{what} von {source} in {where}.</translation>
  </message>
  <message>
   <location filename="../../core/rig/setup.py" />
   <source>It carries {carries}.</source>
   <translation>Es trägt {carries}.</translation>
  </message>
  <message>
   <location filename="../../core/rig/setup.py" />
   <source>Clock from itself (internal), clock output on.</source>
   <translation>Clock von sich selbst (intern), Clock-Ausgang an.</translation>
  </message>
  <message>
   <location filename="../../core/rig/setup.py" />
   <source>It leads the rig.</source>
   <translation>Es führt das Rig.</translation>
  </message>
  <message>
   <location filename="../../core/rig/setup.py" />
   <source>Clock from itself (internal).</source>
   <translation>Clock von sich selbst (intern).</translation>
  </message>
  <message>
   <location filename="../../core/rig/setup.py" />
   <source>No clock reaches it: it runs on its own.</source>
   <translation>Keine Clock erreicht es: es läuft für sich.</translation>
  </message>
  <message>
   <location filename="../../core/rig/setup.py" />
   <source>Start and Stop from outside {start}.</source>
   <translation>Start und Stopp von außen {start}.</translation>
  </message>
  <message>
   <location filename="../../core/rig/setup.py" />
   <source>Clock input at {rate_text} a quarter.</source>
   <translation>Clock-Eingang auf {rate_text} je Viertel.</translation>
  </message>
  <message>
   <location filename="../../core/rig/setup.py" />
   <source>{source} gives {rate_text} a quarter.</source>
   <translation>{source} gibt {rate_text} je Viertel.</translation>
  </message>
  <message>
   <location filename="../../core/rig/setup.py" />
   <source>Pulse output</source>
   <translation>Pulsausgang</translation>
  </message>
  <message>
   <location filename="../../core/rig/setup.py" />
   <source>Program changes on channel {channel}.</source>
   <translation>Program Change auf Kanal {channel}.</translation>
  </message>
  <message>
   <location filename="../../core/rig/setup.py" />
   <source>It is told of patterns there.</source>
   <translation>Dort werden ihm Patterns gesagt.</translation>
  </message>
  <message>
   <location filename="../../core/rig/setup.py" />
   <source>{jack}: receive from {other} {what}.</source>
   <translation>{jack}: von {other} empfangen: {what}.</translation>
  </message>
  <message>
   <location filename="../../core/rig/setup.py" />
   <source>{jack}: send to {other} {what}.</source>
   <translation>{jack}: an {other} senden: {what}.</translation>
  </message>
  <message>
   <location filename="../../core/rig/setup.py" />
   <source>Leave controller {mute_controller} enabled.</source>
   <translation>Lass Controller {mute_controller} eingeschaltet.</translation>
  </message>
  <message>
   <location filename="../../core/rig/setup.py" />
   <source>Grebe mutes {name} with it.</source>
   <translation>Grebe schaltet {name} damit stumm.</translation>
  </message>
  <message>
   <location filename="../../core/rig/setup.py" />
   <source>Clock output {state}.</source>
   <translation>Clock-Ausgang {state}.</translation>
  </message>
  <message>
   <location filename="../../core/rig/setup.py" />
   <source>{name}: </source>
   <translation>{name}: </translation>
  </message>
  <message>
   <location filename="../../core/rig/setup.py" />
   <source>, sent as {program}</source>
   <translation>, gesendet als {program}</translation>
  </message>
  <message>
   <location filename="../../core/rig/setup.py" />
   <source>{name} at {rate} a quarter.</source>
   <translation>{name} auf {rate} je Viertel.</translation>
  </message>
  <message>
   <location filename="../../core/rig/setup.py" />
   <source>{target} counts on it.</source>
   <translation>{target} zählt darauf.</translation>
  </message>
  <message>
   <location filename="../../core/rig/setup.py" />
   <source>The rest would be misread there.</source>
   <translation>Der Rest würde dort falsch gelesen.</translation>
  </message>
  <message>
   <location filename="../../core/rig/setup.py" />
   <source>{name} to thru (repeat the input).</source>
   <translation>{name} auf Thru (den Eingang wiederholen).</translation>
  </message>
  <message>
   <location filename="../../core/rig/setup.py" />
   <source>{target} gets the clock unchanged over it.</source>
   <translation>{target} bekommt die Clock darüber unverändert.</translation>
  </message>
  <message>
   <location filename="../../core/rig/setup.py" />
   <source>It is {box_status}.</source>
   <translation>Es ist {box_status}.</translation>
  </message>
  <message>
   <location filename="../../core/rig/setup.py" />
   <source>{name} to its own and thru, merged.</source>
   <translation>{name} auf Eigenes und Thru, gemischt.</translation>
  </message>
  <message>
   <location filename="../../core/rig/setup.py" />
   <source>{target} gets both over it.</source>
   <translation>{target} bekommt darüber beides.</translation>
  </message>
  <message>
   <location filename="../../core/rig/setup.py" />
   <source>{pattern} at {place}{sent}.</source>
   <translation>{pattern} auf {place}{sent}.</translation>
  </message>
  <message>
   <location filename="../../core/rig/switching.py" />
   <source>Each time before it plays.</source>
   <translation>Jedes Mal, bevor es spielt.</translation>
  </message>
  <message>
   <location filename="../../core/rig/switching.py" />
   <source>Its turn, as it was set.</source>
   <translation>Seine Reihe, wie sie gesetzt wurde.</translation>
  </message>
  <message>
   <location filename="../../core/rig/switching.py" />
   <source>; then wait {seconds:g} s</source>
   <translation>; dann {seconds:g} s warten</translation>
  </message>
  <message>
   <location filename="../../core/rig/switching.py" />
   <source>It is told over it.</source>
   <translation>Darüber wird es gesteuert.</translation>
  </message>
  <message>
   <location filename="../../core/rig/switching.py" />
   <source>What comes there is meant for others.</source>
   <translation>Was dort kommt, ist für andere.</translation>
  </message>
  <message>
   <location filename="../../core/rig/switching.py" />
   <source>It plays {names}.</source>
   <translation>Es spielt {names}.</translation>
  </message>
  <message>
   <location filename="../../core/rig/switching.py" />
   <source>Nothing is to be played by it.</source>
   <translation>Es soll nichts spielen.</translation>
  </message>
  <message>
   <location filename="../../core/rig/switching.py" />
   <source>Last, with its level down: what is switched on after it thumps.</source>
   <translation>Zuletzt, mit dem Pegel unten: was danach eingeschaltet wird, knallt.</translation>
  </message>
  <message>
   <location filename="../../core/rig/switching.py" />
   <source>So that pads and sounds meet.</source>
   <translation>Damit Pads und Klänge sich treffen.</translation>
  </message>
  <message>
   <location filename="../../core/rig/switching.py" />
   <source>What comes in goes on behind it.</source>
   <translation>Was hereinkommt, geht dahinter weiter.</translation>
  </message>
  <message>
   <location filename="../../core/rig/switching.py" />
   <source>Nothing goes on behind it.</source>
   <translation>Dahinter geht nichts weiter.</translation>
  </message>
  <message>
   <location filename="../../core/rig/switching.py" />
   <source>Others start with it.</source>
   <translation>Andere starten mit ihm.</translation>
  </message>
  <message>
   <location filename="../../core/rig/switching.py" />
   <source>Nobody starts with it.</source>
   <translation>Niemand startet mit ihm.</translation>
  </message>
  <message>
   <location filename="../../core/rig/switching.py" />
   <source>It leads: the others find its clock.</source>
   <translation>Es führt: die anderen finden seine Clock.</translation>
  </message>
  <message>
   <location filename="../../core/rig/switching.py" />
   <source>In any order: its clock comes from Grebe.</source>
   <translation>In beliebiger Reihenfolge: seine Clock kommt von Grebe.</translation>
  </message>
  <message>
   <location filename="../../core/rig/switching.py" />
   <source>After {source}, whose clock it gets.</source>
   <translation>Nach {source}, dessen Clock es bekommt.</translation>
  </message>
  <message>
   <location filename="../../core/rig/switching.py" />
   <source>In any order: nothing here waits for it.</source>
   <translation>In beliebiger Reihenfolge: nichts hier wartet darauf.</translation>
  </message>
  <message>
   <location filename="../../core/rig/trigger.py" />
   <source>{kind} {number} on channel {channel}</source>
   <translation>{kind} {number} auf Kanal {channel}</translation>
  </message>
  <message>
   <location filename="../../core/room.py" />
   <source>Check voltage and polarity of every supply before plugging it in. Mains and old gear are for a qualified technician, and the venue's rules come first.</source>
   <translation>Vor dem Einstecken Spannung und Polung jedes Netzteils prüfen. Netzspannung und alte Geräte sind Sache von Fachleuten, und die Regeln des Hauses gehen vor.</translation>
  </message>
  <message>
   <location filename="../../core/room.py" />
   <source>{project}. {songs}, {length}.</source>
   <translation>{project}. {songs}, {length}.</translation>
  </message>
  <message>
   <location filename="../../core/room.py" />
   <source>Cue list: {played}</source>
   <translation>Einsätze: {played}</translation>
  </message>
  <message>
   <location filename="../../core/room.py" />
   <source>Light cues: {played}</source>
   <translation>Lichteinsätze: {played}</translation>
  </message>
  <message>
   <location filename="../../core/room.py" />
   <source>For the band: {running}</source>
   <translation>Für die Band: {running}</translation>
  </message>
  <message>
   <location filename="../../core/room.py" />
   <source>begins</source>
   <translation>beginnt</translation>
  </message>
  <message>
   <location filename="../../core/room.py" />
   <source>Patch list: {rig}</source>
   <translation>Steckliste: {rig}</translation>
  </message>
  <message>
   <location filename="../../core/room.py" />
   <source>{begins} to {ends}</source>
   <translation>{begins} bis {ends}</translation>
  </message>
  <message>
   <location filename="../../core/room.py" />
   <source>Box</source>
   <translation>Gerät</translation>
  </message>
  <message>
   <location filename="../../core/room.py" />
   <source>Part</source>
   <translation>Teil</translation>
  </message>
  <message>
   <location filename="../../core/room.py" />
   <source>Full</source>
   <translation>Fülle</translation>
  </message>
  <message>
   <location filename="../../core/room.py" />
   <source>{desk}, channel {number}</source>
   <translation>{desk}, Kanal {number}</translation>
  </message>
  <message>
   <location filename="../../core/room.py" />
   <source>Power</source>
   <translation>Strom</translation>
  </message>
  <message>
   <location filename="../../core/room.py" />
   <source>Its sound goes to</source>
   <translation>Sein Klang geht an</translation>
  </message>
  <message>
   <location filename="../../core/room.py" />
   <source>Interface</source>
   <translation>Schnittstelle</translation>
  </message>
  <message>
   <location filename="../../core/room.py" />
   <source>sound in</source>
   <translation>Klang herein</translation>
  </message>
  <message>
   <location filename="../../core/room.py" />
   <source>pulses in</source>
   <translation>Impulse herein</translation>
  </message>
  <message>
   <location filename="../../core/room.py" />
   <source>run line in</source>
   <translation>Laufleitung herein</translation>
  </message>
  <message>
   <location filename="../../core/room.py" />
   <source>pulses out</source>
   <translation>Impulse hinaus</translation>
  </message>
  <message>
   <location filename="../../core/room.py" />
   <source>run line out</source>
   <translation>Laufleitung hinaus</translation>
  </message>
  <message>
   <location filename="../../core/room.py" />
   <source>reset out</source>
   <translation>Rücksetzen hinaus</translation>
  </message>
  <message>
   <location filename="../../core/room.py" />
   <source>{song} has nothing to play</source>
   <translation>{song} hat nichts zu spielen</translation>
  </message>
  <message>
   <location filename="../../core/room.py" />
   <source>Grebe</source>
   <translation>Grebe</translation>
  </message>
  <message>
   <location filename="../../core/sets/between.py" />
   <source>key {pattern} into {place} over {other}</source>
   <translation>{pattern} in {place} eintippen, über {other}</translation>
  </message>
  <message>
   <location filename="../../core/sets/edit.py" />
   <source>{name} has only one version: make one with everything in first</source>
   <translation>{name} hat nur eine Fassung: mach erst eine mit allem darin</translation>
  </message>
  <message>
   <location filename="../../core/sets/edit.py" />
   <source>{scene}, all in</source>
   <translation>{scene}, alles dabei</translation>
  </message>
  <message>
   <location filename="../../core/sets/formatting.py" />
   <source>{semitones} down, to {to}</source>
   <translation>{semitones} tiefer, auf {to}</translation>
  </message>
  <message>
   <location filename="../../core/sets/formatting.py" />
   <source>{many}, {seconds:g} s of work, {window_s:g} s of silence: {names} cannot be ready.</source>
   <translation>{many}, {seconds:g} s Arbeit, {window_s:g} s Stille: {names} kann nicht bereit sein.</translation>
  </message>
  <message>
   <location filename="../../core/sets/formatting.py" />
   <source>energy {value:.0f} to {value2:.0f} %</source>
   <translation>Energie {value:.0f} auf {value2:.0f} %</translation>
  </message>
  <message>
   <location filename="../../core/sets/formatting.py" />
   <source>the best found</source>
   <translation>das Beste, das gefunden wurde</translation>
  </message>
  <message>
   <location filename="../../core/sets/formatting.py" />
   <source>stops, {gap_s:g} s</source>
   <translation>hält an, {gap_s:g} s</translation>
  </message>
  <message>
   <location filename="../../core/sets/formatting.py" />
   <source>same tempo</source>
   <translation>gleiches Tempo</translation>
  </message>
  <message>
   <location filename="../../core/sets/formatting.py" />
   <source>ramp {bars}</source>
   <translation>Rampe über {bars}</translation>
  </message>
  <message>
   <location filename="../../core/sets/formatting.py" />
   <source>{found_words}: fits</source>
   <translation>{found_words}: passt</translation>
  </message>
  <message>
   <location filename="../../core/sets/formatting.py" />
   <source>{semitones} up, to {to}</source>
   <translation>{semitones} höher, auf {to}</translation>
  </message>
  <message>
   <location filename="../../core/sets/formatting.py" />
   <source>{name}: Grebe sends {what}</source>
   <translation>{name}: Grebe sendet {what}</translation>
  </message>
  <message>
   <location filename="../../core/sets/formatting.py" />
   <source>, helper</source>
   <translation>, Helfer</translation>
  </message>
  <message>
   <location filename="../../core/sets/formatting.py" />
   <source>Nothing to load.</source>
   <translation>Nichts zu laden.</translation>
  </message>
  <message>
   <location filename="../../core/sets/formatting.py" />
   <source>{many}, {seconds:g} s of work: it can be done.</source>
   <translation>{many}, {seconds:g} s Arbeit: es ist zu schaffen.</translation>
  </message>
  <message>
   <location filename="../../core/sets/formatting.py" />
   <source>tempo {step:+.1f} %</source>
   <translation>Tempo {step:+.1f} %</translation>
  </message>
  <message>
   <location filename="../../core/sets/formatting.py" />
   <source>, wished {value:.0f}</source>
   <translation>, gewünscht {value:.0f}</translation>
  </message>
  <message>
   <location filename="../../core/sets/formatting.py" />
   <source>{seconds:g} s of work</source>
   <translation>{seconds:g} s Arbeit</translation>
  </message>
  <message>
   <location filename="../../core/sets/formatting.py" />
   <source>no work</source>
   <translation>keine Arbeit</translation>
  </message>
  <message>
   <location filename="../../core/sets/formatting.py" />
   <source>none fits better</source>
   <translation>keine passt besser</translation>
  </message>
  <message>
   <location filename="../../core/sets/formatting.py" />
   <source>the best found; none costs over {value:.0f} % less</source>
   <translation>die beste, die gefunden wurde; keine kostet über {value:.0f} % weniger</translation>
  </message>
  <message>
   <location filename="../../core/sets/formatting.py" />
   <source>carries on at {bpm_from:g} until released</source>
   <translation>läuft mit {bpm_from:g} weiter, bis es losgelassen wird</translation>
  </message>
  <message>
   <location filename="../../core/sets/joined.py" />
   <source>{running} has no song that can be played</source>
   <translation>{running} hat keinen Song, der gespielt werden kann</translation>
  </message>
  <message>
   <location filename="../../core/sets/keys.py" />
   <source>{steps} steps apart</source>
   <translation>{steps} Schritte auseinander</translation>
  </message>
  <message>
   <location filename="../../core/sets/keys.py" />
   <source>clash, {steps} steps apart</source>
   <translation>Reibung, {steps} Schritte auseinander</translation>
  </message>
  <message>
   <location filename="../../core/sets/keys.py" />
   <source>same key</source>
   <translation>gleiche Tonart</translation>
  </message>
  <message>
   <location filename="../../core/sets/keys.py" />
   <source>relative</source>
   <translation>Parallele</translation>
  </message>
  <message>
   <location filename="../../core/sets/keys.py" />
   <source>same root, other mode</source>
   <translation>gleicher Grundton, anderes Geschlecht</translation>
  </message>
  <message>
   <location filename="../../core/sets/keys.py" />
   <source>a fifth up</source>
   <translation>eine Quinte höher</translation>
  </message>
  <message>
   <location filename="../../core/sets/keys.py" />
   <source>a fourth up</source>
   <translation>eine Quarte höher</translation>
  </message>
  <message>
   <location filename="../../core/sets/keys.py" />
   <source>{way} of the relative</source>
   <translation>{way} der Parallele</translation>
  </message>
  <message>
   <location filename="../../core/sizes.py" />
   <source>all songs together have {total} bars; up to {max_bars} are taken</source>
   <translation>alle Songs zusammen haben {total} Takte; bis zu {max_bars} werden genommen</translation>
  </message>
  <message>
   <location filename="../../core/sizes.py" />
   <source>`{field}` holds {counts} things; up to {most} are taken</source>
   <translation>`{field}` fasst {counts} Dinge; bis zu {most} werden genommen</translation>
  </message>
  <message>
   <location filename="../../core/sizes.py" />
   <source>{running} has {count} songs; up to {max_places} are taken</source>
   <translation>{running} hat {count} Songs; bis zu {max_places} werden genommen</translation>
  </message>
  <message>
   <location filename="../../core/sizes.py" />
   <source>{song} has {count} sections; up to {max_sections} are taken</source>
   <translation>{song} hat {count} Abschnitte; bis zu {max_sections} werden genommen</translation>
  </message>
  <message>
   <location filename="../../core/sizes.py" />
   <source>{song} has {bars} bars; up to {max_song_bars} are played</source>
   <translation>{song} hat {bars} Takte; bis zu {max_song_bars} werden gespielt</translation>
  </message>
  <message>
   <location filename="../../core/songs/changes.py" />
   <source>choose the pattern</source>
   <translation>das Pattern wählen</translation>
  </message>
  <message>
   <location filename="../../core/songs/changes.py" />
   <source>silence it or let it sound</source>
   <translation>es verstummen oder klingen lassen</translation>
  </message>
  <message>
   <location filename="../../core/songs/changes.py" />
   <source>turn it</source>
   <translation>es drehen</translation>
  </message>
  <message>
   <location filename="../../core/songs/changes.py" />
   <source>start or stop tracks</source>
   <translation>Spuren starten oder anhalten</translation>
  </message>
  <message>
   <location filename="../../core/songs/changes.py" />
   <source>set its time</source>
   <translation>seine Zeit stellen</translation>
  </message>
  <message>
   <location filename="../../core/songs/changes.py" />
   <source>{printed_program}, program {program} sent {early} early</source>
   <translation>{printed_program}, Programm {program}, {early} vorher gesendet</translation>
  </message>
  <message>
   <location filename="../../core/songs/changes.py" />
   <source>controller {mute_controller} at {value}, on the one</source>
   <translation>Controller {mute_controller} auf {value}, auf der Eins</translation>
  </message>
  <message>
   <location filename="../../core/songs/changes.py" />
   <source>controller {controller} at {value_value}, on the one</source>
   <translation>Controller {controller} auf {value_value}, auf der Eins</translation>
  </message>
  <message>
   <location filename="../../core/songs/changes.py" />
   <source>by {limb}: {move}, {value:g} s</source>
   <translation>mit {limb}: {move}, {value:g} s</translation>
  </message>
  <message>
   <location filename="../../core/songs/changes.py" />
   <source>tracks {numbers}</source>
   <translation>Spuren {numbers}</translation>
  </message>
  <message>
   <location filename="../../core/songs/changes.py" />
   <source>let Grebe tell the box</source>
   <translation>lass es Grebe dem Gerät sagen</translation>
  </message>
  <message>
   <location filename="../../core/songs/changes.py" />
   <source>pre-set it</source>
   <translation>stell es vor</translation>
  </message>
  <message>
   <location filename="../../core/songs/changes.py" />
   <source>leave it out, or give it to a longer scene</source>
   <translation>lass es aus, oder gib es einer längeren Szene</translation>
  </message>
  <message>
   <location filename="../../core/songs/changes.py" />
   <source>a sixteenth</source>
   <translation>ein Sechzehntel</translation>
  </message>
  <message>
   <location filename="../../core/songs/changes.py" />
   <source>{ms:.0f} ms</source>
   <translation>{ms:.0f} ms</translation>
  </message>
  <message>
   <location filename="../../core/songs/changes.py" />
   <source>controllers {play} and {stop}, on the one</source>
   <translation>Controller {play} und {stop}, auf der Eins</translation>
  </message>
  <message>
   <location filename="../../core/songs/changes.py" />
   <source>{stood:.0f} ms</source>
   <translation>{stood:.0f} ms</translation>
  </message>
  <message>
   <location filename="../../core/songs/changes.py" />
   <source>{echo}, {time_ms:.0f} ms</source>
   <translation>{echo}, {time_ms:.0f} ms</translation>
  </message>
  <message>
   <location filename="../../core/songs/changes.py" />
   <source>echo goes on</source>
   <translation>Echo läuft weiter</translation>
  </message>
  <message>
   <location filename="../../core/songs/changes.py" />
   <source>echo frozen</source>
   <translation>Echo eingefroren</translation>
  </message>
  <message>
   <location filename="../../core/songs/changes.py" />
   <source>no tracks</source>
   <translation>keine Spuren</translation>
  </message>
  <message>
   <location filename="../../core/songs/changes.py" />
   <source>with the press for {leads}</source>
   <translation>mit dem Druck für {leads}</translation>
  </message>
  <message>
   <location filename="../../core/songs/changes.py" />
   <source>it has no slot</source>
   <translation>es hat keinen Platz</translation>
  </message>
  <message>
   <location filename="../../core/songs/changes.py" />
   <source>{words} silent</source>
   <translation>{words} stumm</translation>
  </message>
  <message>
   <location filename="../../core/songs/changes.py" />
   <source>{words} as they go</source>
   <translation>{words}, wie sie gehen</translation>
  </message>
  <message>
   <location filename="../../core/songs/changes.py" />
   <source>{words} sounding</source>
   <translation>{words} klingend</translation>
  </message>
  <message>
   <location filename="../../core/songs/changes.py" />
   <source>controller {controller}</source>
   <translation>Controller {controller}</translation>
  </message>
  <message>
   <location filename="../../core/songs/changes.py" />
   <source>{move}: {before} to {after}</source>
   <translation>{move}: {before} auf {after}</translation>
  </message>
  <message>
   <location filename="../../core/songs/changes.py" />
   <source>sounding</source>
   <translation>klingend</translation>
  </message>
  <message>
   <location filename="../../core/songs/changes.py" />
   <source>{how}, over {bars}</source>
   <translation>{how}, über {bars}</translation>
  </message>
  <message>
   <location filename="../../core/songs/changes.py" />
   <source>Grebe plays it</source>
   <translation>Grebe spielt es</translation>
  </message>
  <message>
   <location filename="../../core/songs/changes.py" />
   <source>Grebe mutes it</source>
   <translation>Grebe schaltet es stumm</translation>
  </message>
  <message>
   <location filename="../../core/songs/cues.py" />
   <source>{scene}, {bars}{times}, {bpm:g} BPM, {meter}</source>
   <translation>{scene}, {bars}{times}, {bpm:g} BPM, {meter}</translation>
  </message>
  <message>
   <location filename="../../core/songs/cues.py" />
   <source>, {times} times</source>
   <translation>, {times}-mal</translation>
  </message>
  <message>
   <location filename="../../core/songs/cues.py" />
   <source>to {bpm:g} BPM{over}</source>
   <translation>auf {bpm:g} BPM{over}</translation>
  </message>
  <message>
   <location filename="../../core/songs/cues.py" />
   <source>{before} to </source>
   <translation>{before} auf </translation>
  </message>
  <message>
   <location filename="../../core/songs/cues.py" />
   <source> over {ramp_bars} bars</source>
   <translation> über {ramp_bars} Takte</translation>
  </message>
  <message>
   <location filename="../../core/songs/cues.py" />
   <source>fill begins</source>
   <translation>Fill beginnt</translation>
  </message>
  <message>
   <location filename="../../core/songs/cues.py" />
   <source>fill ends</source>
   <translation>Fill endet</translation>
  </message>
  <message>
   <location filename="../../core/songs/cues.py" />
   <source>to {bpm:g} BPM</source>
   <translation>auf {bpm:g} BPM</translation>
  </message>
  <message>
   <location filename="../../core/songs/cues.py" />
   <source>{what} out</source>
   <translation>{what} heraus</translation>
  </message>
  <message>
   <location filename="../../core/songs/cues.py" />
   <source>{what} in again</source>
   <translation>{what} wieder herein</translation>
  </message>
  <message>
   <location filename="../../core/songs/cues.py" />
   <source>The song ends</source>
   <translation>Der Song endet</translation>
  </message>
  <message>
   <location filename="../../core/songs/cues.py" />
   <source>{line} goes over to {pattern}</source>
   <translation>{line} geht zu {pattern} über</translation>
  </message>
  <message>
   <location filename="../../core/songs/cues.py" />
   <source>{line} goes back to its scene's</source>
   <translation>{line} geht zu dem der Szene zurück</translation>
  </message>
  <message>
   <location filename="../../core/songs/edit.py" />
   <source>a song keeps at least one section</source>
   <translation>ein Song behält mindestens einen Abschnitt</translation>
  </message>
  <message>
   <location filename="../../core/songs/edit.py" />
   <source>no section is selected</source>
   <translation>kein Abschnitt ist gewählt</translation>
  </message>
  <message>
   <location filename="../../core/songs/edit.py" />
   <source>the song has no sections: there is no place in it</source>
   <translation>der Song hat keine Abschnitte: es gibt keinen Platz darin</translation>
  </message>
  <message>
   <location filename="../../core/songs/forms.py" />
   <source>there are no scenes to make a song of</source>
   <translation>es gibt keine Szenen, aus denen ein Song würde</translation>
  </message>
  <message>
   <location filename="../../core/songs/layout.py" />
   <source>song {song!r}, section {number}: there is no scene {scene!r}</source>
   <translation>Song {song!r}, Abschnitt {number}: es gibt keine Szene {scene!r}</translation>
  </message>
  <message>
   <location filename="../../core/songs/memory_order.py" />
   <source>{{0}} to {{1}} are {count} in a row, and a group holds {group}</source>
   <translation>{{0}} bis {{1}} sind {count} hintereinander, und eine Gruppe fasst {group}</translation>
  </message>
  <message>
   <location filename="../../core/songs/memory_order.py" />
   <source>{0} would have to lie before itself</source>
   <translation>{0} müsste vor sich selbst liegen</translation>
  </message>
  <message>
   <location filename="../../core/songs/memory_order.py" />
   <source>they do not fit into {groups} groups of {group}</source>
   <translation>sie passen nicht in {groups} Gruppen zu {group}</translation>
  </message>
  <message>
   <location filename="../../core/songs/memory_order.py" />
   <source>{0} comes twice in one chain, and a place is played once a round</source>
   <translation>{0} kommt zweimal in einer Kette vor, und ein Platz wird einmal je Runde gespielt</translation>
  </message>
  <message>
   <location filename="../../core/songs/memory_order.py" />
   <source>{0} is followed by {1} in one chain and by {2} in another</source>
   <translation>auf {0} folgt in einer Kette {1} und in einer anderen {2}</translation>
  </message>
  <message>
   <location filename="../../core/songs/memory_order.py" />
   <source>{0} comes after {1} in one chain and after {2} in another</source>
   <translation>{0} kommt in einer Kette nach {1} und in einer anderen nach {2}</translation>
  </message>
  <message>
   <location filename="../../core/songs/performed.py" />
   <source>nothing has been played that could be kept</source>
   <translation>es wurde nichts gespielt, das sich behalten ließe</translation>
  </message>
  <message>
   <location filename="../../core/songs/performed.py" />
   <source>came in at bar {bar}</source>
   <translation>kam bei Takt {bar} herein</translation>
  </message>
  <message>
   <location filename="../../core/songs/performed.py" />
   <source>cut short in mid-bar</source>
   <translation>mitten im Takt abgeschnitten</translation>
  </message>
  <message>
   <location filename="../../core/songs/performed.py" />
   <source>{scene}, as played</source>
   <translation>{scene}, wie gespielt</translation>
  </message>
  <message>
   <location filename="../../core/songs/performed.py" />
   <source>loop track {number}: {act}</source>
   <translation>Loopspur {number}: {act}</translation>
  </message>
  <message>
   <location filename="../../core/songs/programme.py" />
   <source>split it into {count} tracks, the next begun at {where}</source>
   <translation>es in {count} Spuren teilen, die nächste begonnen bei {where}</translation>
  </message>
  <message>
   <location filename="../../core/songs/programme.py" />
   <source>write {count} longer patterns ({names}): {entries} in the list</source>
   <translation>{count} längere Patterns schreiben ({names}): {entries} in der Liste</translation>
  </message>
  <message>
   <location filename="../../core/songs/programme.py" />
   <source>no order of its memory serves all chains: a second copy of a pattern would</source>
   <translation>keine Ordnung seines Speichers dient allen Ketten: eine zweite Kopie eines Patterns täte es</translation>
  </message>
  <message>
   <location filename="../../core/songs/programme.py" />
   <source>{name} to {printed_program}</source>
   <translation>{name} auf {printed_program}</translation>
  </message>
  <message>
   <location filename="../../core/songs/programme.py" />
   <source>put its patterns in another order: {names}</source>
   <translation>seine Patterns umordnen: {names}</translation>
  </message>
  <message>
   <location filename="../../core/songs/programme.py" />
   <source>an empty pattern</source>
   <translation>ein leeres Pattern</translation>
  </message>
  <message>
   <location filename="../../core/songs/programme.py" />
   <source>, the last cut short</source>
   <translation>, das letzte abgeschnitten</translation>
  </message>
  <message>
   <location filename="../../core/songs/programme.py" />
   <source>once</source>
   <translation>einmal</translation>
  </message>
  <message>
   <location filename="../../core/songs/programme.py" />
   <source>{times} times</source>
   <translation>{times}-mal</translation>
  </message>
  <message>
   <location filename="../../core/songs/programme.py" />
   <source>bar {bar}</source>
   <translation>Takt {bar}</translation>
  </message>
  <message>
   <location filename="../../core/songs/programme.py" />
   <source>First: writing over clears what stands there; keep what is still wanted of it</source>
   <translation>Zuerst: Überschreiben löscht, was dort steht; heb auf, was davon noch gebraucht wird</translation>
  </message>
  <message>
   <location filename="../../core/songs/programme.py" />
   <source>stop it and go to the other group; </source>
   <translation>anhalten und in die andere Gruppe gehen; </translation>
  </message>
  <message>
   <location filename="../../core/songs/programme.py" />
   <source>go to the other group in its other mode; </source>
   <translation>in der anderen Betriebsart in die andere Gruppe gehen; </translation>
  </message>
  <message>
   <location filename="../../core/songs/programme.py" />
   <source>an empty pattern, {bars}</source>
   <translation>ein leeres Pattern, {bars}</translation>
  </message>
  <message>
   <location filename="../../core/songs/programme.py" />
   <source>silent, {bars}</source>
   <translation>still, {bars}</translation>
  </message>
  <message>
   <location filename="../../core/songs/programme.py" />
   <source>it cannot chain patterns</source>
   <translation>es kann keine Patterns ketten</translation>
  </message>
  <message>
   <location filename="../../core/songs/programme.py" />
   <source>change its pattern by hand, or let Grebe play it</source>
   <translation>sein Pattern von Hand wechseln, oder Grebe es spielen lassen</translation>
  </message>
  <message>
   <location filename="../../core/songs/programme.py" />
   <source>a list of {count} is past its limit of {longest}</source>
   <translation>eine Liste von {count} geht über seine Grenze von {longest}</translation>
  </message>
  <message>
   <location filename="../../core/songs/programme.py" />
   <source>{bars} bars are past the {bars2} of one of its songs</source>
   <translation>{bars} Takte gehen über die {bars2} eines seiner Songs</translation>
  </message>
  <message>
   <location filename="../../core/songs/programme.py" />
   <source>{scene} plays a pattern several times in a row, and a place is played once a round: it needs copies of it</source>
   <translation>{scene} spielt ein Pattern mehrmals hintereinander, und ein Platz wird einmal je Runde gespielt: es braucht Kopien davon</translation>
  </message>
  <message>
   <location filename="../../core/songs/programme.py" />
   <source>a chain of {count} is past its limit of {longest}: {names}</source>
   <translation>eine Kette von {count} geht über seine Grenze von {longest}: {names}</translation>
  </message>
  <message>
   <location filename="../../core/songs/programme.py" />
   <source> in song {value}</source>
   <translation> in Song {value}</translation>
  </message>
  <message>
   <location filename="../../core/songs/programme.py" />
   <source>{words}; {times} times over</source>
   <translation>{words}; {times}-mal hintereinander</translation>
  </message>
  <message>
   <location filename="../../core/songs/programme.py" />
   <source>Bar {bar}, {section}: {words}</source>
   <translation>Takt {bar}, {section}: {words}</translation>
  </message>
  <message>
   <location filename="../../core/songs/programme.py" />
   <source>Mark {name} as the last</source>
   <translation>{name} als letztes markieren</translation>
  </message>
  <message>
   <location filename="../../core/songs/programme.py" />
   <source>Line {value} is new: {new}</source>
   <translation>Zeile {value} ist neu: {new}</translation>
  </message>
  <message>
   <location filename="../../core/songs/programme.py" />
   <source>{names} do not lie side by side in its memory</source>
   <translation>{names} liegen in seinem Speicher nicht nebeneinander</translation>
  </message>
  <message>
   <location filename="../../core/songs/programme.py" />
   <source>Track {track}{place}</source>
   <translation>Spur {track}{place}</translation>
  </message>
  <message>
   <location filename="../../core/songs/programme.py" />
   <source>One track{place}</source>
   <translation>Eine Spur{place}</translation>
  </message>
  <message>
   <location filename="../../core/songs/programme.py" />
   <source>Line {value} is gone: {old}</source>
   <translation>Zeile {value} ist fort: {old}</translation>
  </message>
  <message>
   <location filename="../../core/songs/programme.py" />
   <source>Line {value} was: {old}</source>
   <translation>Zeile {value} war: {old}</translation>
  </message>
  <message>
   <location filename="../../core/songs/sounding.py" />
   <source>what sounds is what {scene} says</source>
   <translation>was klingt, ist, was {scene} sagt</translation>
  </message>
  <message>
   <location filename="../../core/songs/sounding.py" />
   <source>{scene}, as it sounded</source>
   <translation>{scene}, wie es klang</translation>
  </message>
  <message>
   <location filename="../../core/songs/variations.py" />
   <source>{name}: {done}.</source>
   <translation>{name}: {done}.</translation>
  </message>
  <message>
   <location filename="../../core/songs/variations.py" />
   <source>{names} of {line} are silent</source>
   <translation>{names} von {line} schweigen</translation>
  </message>
  <message>
   <location filename="../../core/songs/variations.py" />
   <source>The same without drums</source>
   <translation>Dieselbe ohne Drums</translation>
  </message>
  <message>
   <location filename="../../core/songs/variations.py" />
   <source>The same with the hats out</source>
   <translation>Dieselbe ohne Hi-Hats</translation>
  </message>
  <message>
   <location filename="../../core/songs/variations.py" />
   <source>Everything together</source>
   <translation>Alles zusammen</translation>
  </message>
  <message>
   <location filename="../../core/songs/variations.py" />
   <source>Drums out for its last bar, where the song has it</source>
   <translation>Schlagzeug für den letzten Takt heraus, wo der Song ihn hat</translation>
  </message>
  <message>
   <location filename="../../core/songs/variations.py" />
   <source>The same with a rising voice</source>
   <translation>Dieselbe mit einer steigenden Stimme</translation>
  </message>
  <message>
   <location filename="../../core/songs/variations.py" />
   <source>no drums sound in {scene}</source>
   <translation>in {scene} klingen keine Drums</translation>
  </message>
  <message>
   <location filename="../../core/songs/variations.py" />
   <source>no hats sound in {scene}</source>
   <translation>in {scene} klingen keine Hats</translation>
  </message>
  <message>
   <location filename="../../core/songs/variations.py" />
   <source>{scene} is that already</source>
   <translation>{scene} ist das schon</translation>
  </message>
  <message>
   <location filename="../../core/songs/variations.py" />
   <source>{name} is let sound</source>
   <translation>{name} darf klingen</translation>
  </message>
  <message>
   <location filename="../../core/songs/variations.py" />
   <source>{pattern}, riser</source>
   <translation>{pattern}, Riser</translation>
  </message>
  <message>
   <location filename="../../core/songs/variations.py" />
   <source>note {note} of {line} rises</source>
   <translation>Note {note} von {line} steigt an</translation>
  </message>
  <message>
   <location filename="../../core/songs/variations.py" />
   <source>no drums play in {scene}, so there is nothing to rise over</source>
   <translation>in {scene} spielt kein Schlagzeug, also gibt es nichts, worüber es steigen könnte</translation>
  </message>
  <message>
   <location filename="../../core/songs/variations.py" />
   <source>Out in its last bar: {what}.</source>
   <translation>Im letzten Takt heraus: {what}.</translation>
  </message>
  <message>
   <location filename="../../core/songs/variations.py" />
   <source>the song does not play {scene}: put it there first</source>
   <translation>der Song spielt {scene} nicht: setz sie erst hinein</translation>
  </message>
  <message>
   <location filename="../../core/songs/variations.py" />
   <source>{line} is muted</source>
   <translation>{line} ist stumm</translation>
  </message>
  <message>
   <location filename="../../core/songs/variations.py" />
   <source>{names} of {line}</source>
   <translation>{names} von {line}</translation>
  </message>
  <message>
   <location filename="../../core/songs/variations.py" />
   <source>{line} plays {names}</source>
   <translation>{line} spielt {names}</translation>
  </message>
  <message>
   <location filename="../../core/sync/explain.py" />
   <source>{samples} samples at {value:g} kHz, or {metres:.1f} m of air</source>
   <translation>{samples} Samples bei {value:g} kHz, oder {metres:.1f} m Luft</translation>
  </message>
  <message>
   <location filename="../../core/sync/explain.py" />
   <source>From together it would flam audibly ({noticed_ms:g} ms) after {seconds:.0f} s.</source>
   <translation>Vom Gleichstand würde es nach {seconds:.0f} s hörbar flammen ({noticed_ms:g} ms).</translation>
  </message>
  <message>
   <location filename="../../core/sync/explain.py" />
   <source>It never flams.</source>
   <translation>Es flammt nie.</translation>
  </message>
  <message>
   <location filename="../../core/sync/measure.py" />
   <source> It plays {value:g} times to each beat of the reference: if that is not meant, its tempo is set wrong.</source>
   <translation> Es spielt {value:g}-mal zu jedem Schlag der Referenz: wenn das nicht gemeint ist, ist sein Tempo falsch eingestellt.</translation>
  </message>
  <message>
   <location filename="../../core/sync/measure.py" />
   <source> It swings at {swing_percent:.0f} %, which is no jitter.</source>
   <translation> Es swingt mit {swing_percent:.0f} %, das ist kein Jitter.</translation>
  </message>
  <message>
   <location filename="../../core/sync/measure.py" />
   <source>It wavers by {p95:.1f} ms (p95){pattern}: no one number mends that. Look for what disturbs its clock.</source>
   <translation>Es schwankt um {p95:.1f} ms (p95){pattern}: das behebt keine einzelne Zahl. Such, was seine Clock stört.</translation>
  </message>
  <message>
   <location filename="../../core/sync/measure.py" />
   <source>The reference has {count} beats; at least {fewest_reference} are needed.</source>
   <translation>Die Referenz hat {count} Schläge; mindestens {fewest_reference} sind nötig.</translation>
  </message>
  <message>
   <location filename="../../core/sync/measure.py" />
   <source>The device has {count} hits; at least {fewest} are needed.</source>
   <translation>Das Gerät hat {count} Anschläge; mindestens {fewest} sind nötig.</translation>
  </message>
  <message>
   <location filename="../../core/sync/measure.py" />
   <source>The device's hits lie on no beat of the reference: it runs at another tempo, or the two are mixed up.</source>
   <translation>Die Anschläge des Geräts liegen auf keinem Schlag der Referenz: es läuft in einem anderen Tempo, oder die zwei sind vertauscht.</translation>
  </message>
  <message>
   <location filename="../../core/sync/measure.py" />
   <source>Only {count} hits lie on beats; {fewest} are needed.</source>
   <translation>Nur {count} Anschläge liegen auf Schlägen; {fewest} sind nötig.</translation>
  </message>
  <message>
   <location filename="../../core/sync/measure.py" />
   <source>It keeps {own:.1f} BPM where the reference keeps {meant:.1f}: it is not on the clock. No offset mends that; let it follow.</source>
   <translation>Es hält {own:.1f} BPM, wo die Referenz {meant:.1f} hält: es hängt nicht an der Clock. Kein Versatz behebt das; lass es folgen.</translation>
  </message>
  <message>
   <location filename="../../core/sync/measure.py" />
   <source>It runs {value:.1f} ms a minute {way}: it is not on the clock. No offset mends that; let it follow.</source>
   <translation>Es läuft {value:.1f} ms je Minute {way}: es hängt nicht an der Clock. Kein Versatz behebt das; lass es folgen.</translation>
  </message>
  <message>
   <location filename="../../core/sync/measure.py" />
   <source>slow</source>
   <translation>zu langsam</translation>
  </message>
  <message>
   <location filename="../../core/sync/measure.py" />
   <source>fast</source>
   <translation>zu schnell</translation>
  </message>
  <message>
   <location filename="../../core/sync/measure.py" />
   <source>It is {value:.1f} ms {how}, steadily{pattern}: set {value2:+.1f} ms.</source>
   <translation>Es ist {value:.1f} ms {how}, gleichmäßig{pattern}: stell {value2:+.1f} ms ein.</translation>
  </message>
  <message>
   <location filename="../../core/sync/measure.py" />
   <source>It is together: {value:.1f} ms {how}, within {tolerance_ms:g} ms.</source>
   <translation>Es ist zusammen: {value:.1f} ms {how}, innerhalb von {tolerance_ms:g} ms.</translation>
  </message>
  <message>
   <location filename="../../core/sync/measured.py" />
   <source>without a pattern</source>
   <translation>ohne Muster</translation>
  </message>
  <message>
   <location filename="../../core/sync/measured.py" />
   <source>on the 1 ms frames of a bus</source>
   <translation>auf den 1-ms-Rahmen eines Busses</translation>
  </message>
  <message>
   <location filename="../../core/sync/measured.py" />
   <source>coming and going evenly</source>
   <translation>gleichmäßig kommend und gehend</translation>
  </message>
  <message>
   <location filename="../../core/sync/measured.py" />
   <source>growing from beginning to end</source>
   <translation>von Anfang bis Ende wachsend</translation>
  </message>
  <message>
   <location filename="../../core/sync/measured.py" />
   <source>in bursts</source>
   <translation>stoßweise</translation>
  </message>
  <message>
   <location filename="../../core/sync/onsets.py" />
   <source>the channel is silent</source>
   <translation>der Kanal ist still</translation>
  </message>
  <message>
   <location filename="../../core/sync/onsets.py" />
   <source>there are no hits in it: nothing rises</source>
   <translation>es sind keine Anschläge darin: nichts steigt</translation>
  </message>
  <message>
   <location filename="../../core/typed.py" />
   <source>a whole number</source>
   <translation>eine ganze Zahl</translation>
  </message>
  <message>
   <location filename="../../core/typed.py" />
   <source>one of {names}</source>
   <translation>eines von {names}</translation>
  </message>
  <message>
   <location filename="../../core/typed.py" />
   <source>{words} from {low:g} to {high:g}</source>
   <translation>{words} von {low:g} bis {high:g}</translation>
  </message>
  <message>
   <location filename="../../core/typed.py" />
   <source>it goes in numbers (got {words!r})</source>
   <translation>das geht in Zahlen (bekommen: {words!r})</translation>
  </message>
  <message>
   <location filename="../../core/typed.py" />
   <source>{what}: {value} (got {got!r})</source>
   <translation>{what}: {value} (bekommen: {got!r})</translation>
  </message>
  <message>
   <location filename="../../core/typed.py" />
   <source>it goes in whole numbers (got {words!r})</source>
   <translation>das geht in ganzen Zahlen (bekommen: {words!r})</translation>
  </message>
  <message>
   <location filename="../../core/typed.py" />
   <source>a day goes as 2026-11-30 (got {text!r})</source>
   <translation>ein Tag geht wie 2026-11-30 (war {text!r})</translation>
  </message>
  <message>
   <location filename="../../core/weighing.py" />
   <source>The busiest carries {notes} at once, to {name} in {scene}: the last {ms:.1f} ms after the first.</source>
   <translation>Die vollste trägt {notes} auf einmal, zu {name} in {scene}: die letzte {ms:.1f} ms nach der ersten.</translation>
  </message>
  <message>
   <location filename="../../core/weighing.py" />
   <source>{outs}, {ins}, {links}, {channels} for pulses.</source>
   <translation>{outs}, {ins}, {links}, {channels} für Impulse.</translation>
  </message>
  <message>
   <location filename="../../core/weighing.py" />
   <source>move</source>
   <translation>Griff</translation>
  </message>
  <message>
   <location filename="../../core/weighing.py" />
   <source>moves</source>
   <translation>Griffe</translation>
  </message>
  <message>
   <location filename="../../core/weighing.py" />
   <source>Most from {one} to {other}: {moves}, and all can be made.</source>
   <translation>Am meisten von {one} zu {other}: {moves}, und alle gehen.</translation>
  </message>
  <message>
   <location filename="../../core/weighing.py" />
   <source>No notes of Grebe's go over a wire of 31 250 baud.</source>
   <translation>Keine Noten von Grebe gehen über eine Leitung mit 31 250 Baud.</translation>
  </message>
  <message>
   <location filename="../../core/weighing.py" />
   <source>No change asks anything of them.</source>
   <translation>Kein Wechsel verlangt etwas von ihnen.</translation>
  </message>
  <message>
   <location filename="../../core/weighing.py" />
   <source>Most from {one} to {other}: {moves}, {over} more than they can make.</source>
   <translation>Am meisten von {one} zu {other}: {moves}, {over} mehr, als sie schaffen.</translation>
  </message>
  <message>
   <location filename="../../core/weighing.py" />
   <source>MIDI outputs</source>
   <translation>MIDI-Ausgänge</translation>
  </message>
  <message>
   <location filename="../../core/weighing.py" />
   <source>inputs</source>
   <translation>Eingänge</translation>
  </message>
  <message>
   <location filename="../../core/weighing.py" />
   <source>network link</source>
   <translation>Netzverbindung</translation>
  </message>
  <message>
   <location filename="../../core/weighing.py" />
   <source>network links</source>
   <translation>Netzverbindungen</translation>
  </message>
  <message>
   <location filename="../../core/weighing.py" />
   <source>channel</source>
   <translation>Kanal</translation>
  </message>
  <message>
   <location filename="../../core/weighing.py" />
   <source>channels</source>
   <translation>Kanäle</translation>
  </message>
  <message>
   <location filename="../../core/whatif/answers.py" />
   <source>Still to be mended then: {fault}</source>
   <translation>Dann noch zu beheben: {fault}</translation>
  </message>
  <message>
   <location filename="../../core/whatif/answers.py" />
   <source>Silent: {names}.</source>
   <translation>Stumm: {names}.</translation>
  </message>
  <message>
   <location filename="../../core/whatif/answers.py" />
   <source>Without a clock: {names}.</source>
   <translation>Ohne Clock: {names}.</translation>
  </message>
  <message>
   <location filename="../../core/whatif/answers.py" />
   <source>On the pattern they stand at: {names}.</source>
   <translation>Auf dem Pattern, auf dem sie stehen: {names}.</translation>
  </message>
  <message>
   <location filename="../../core/whatif/answers.py" />
   <source>No scene is left whole.</source>
   <translation>Keine Szene bleibt ganz.</translation>
  </message>
  <message>
   <location filename="../../core/whatif/answers.py" />
   <source>Scenes left whole: {names}.</source>
   <translation>Ganz bleiben die Szenen: {names}.</translation>
  </message>
  <message>
   <location filename="../../core/whatif/answers.py" />
   <source>All scenes are left whole.</source>
   <translation>Alle Szenen bleiben ganz.</translation>
  </message>
  <message>
   <location filename="../../core/whatif/fallback.py" />
   <source>{names} and {more} more</source>
   <translation>{names} und {more} weitere</translation>
  </message>
  <message>
   <location filename="../../core/whatif/fallback.py" />
   <source>{pattern} for {gone}</source>
   <translation>{pattern} für {gone}</translation>
  </message>
  <message>
   <location filename="../../core/whatif/fallback.py" />
   <source>{name} leads.</source>
   <translation>{name} führt.</translation>
  </message>
  <message>
   <location filename="../../core/whatif/fallback.py" />
   <source>{name} stays without what it got over it.</source>
   <translation>{name} bleibt ohne das, was darüber kam.</translation>
  </message>
  <message>
   <location filename="../../core/whatif/fallback.py" />
   <source>Plug {source}'s {output} into {target}'s {input}.</source>
   <translation>Steck {output} von {source} in {input} von {target}.</translation>
  </message>
  <message>
   <location filename="../../core/whatif/fallback.py" />
   <source>{other} plays what {line} played in {scenes}.</source>
   <translation>{other} spielt, was {line} in {scenes} spielte.</translation>
  </message>
  <message>
   <location filename="../../core/whatif/fallback.py" />
   <source>Nobody plays what {line} played in {scenes}.</source>
   <translation>Niemand spielt, was {line} in {scenes} spielte.</translation>
  </message>
  <message>
   <location filename="../../core/whatif/losses.py" />
   <source>the {medium} cable from {source} to {target}</source>
   <translation>das {medium}-Kabel von {source} zu {target}</translation>
  </message>
  <message>
   <location filename="../../core/whatif/losses.py" />
   <source>When {device} is back it is told its pattern and comes in on the next bar.</source>
   <translation>Ist {device} wieder da, wird ihm sein Pattern gesagt, und es setzt im nächsten Takt ein.</translation>
  </message>
  <message>
   <location filename="../../core/whatif/losses.py" />
   <source>Grebe holds the last tempo of {leader} and goes on clocking {names}.</source>
   <translation>Grebe hält das letzte Tempo von {leader} und taktet {names} weiter.</translation>
  </message>
  <message>
   <location filename="../../core/whatif/losses.py" />
   <source>Grebe holds the last tempo of {leader}.</source>
   <translation>Grebe hält das letzte Tempo von {leader}.</translation>
  </message>
  <message>
   <location filename="../../engine/__main__.py" />
   <source>No real-time priority: ticks may be a few milliseconds late under load. To allow it, add the line '@audio - rtprio 95' to /etc/security/limits.d/audio.conf, put yourself in the audio group (sudo adduser $USER audio), and log in again.</source>
   <translation>Keine Echtzeitpriorität: unter Last können Ticks ein paar Millisekunden zu spät kommen. Um sie zu erlauben, füg die Zeile '@audio - rtprio 95' zu /etc/security/limits.d/audio.conf hinzu, nimm dich in die Gruppe audio auf (sudo adduser $USER audio) und melde dich neu an.</translation>
  </message>
  <message>
   <location filename="../../engine/connections.py" />
   <source>{device} is back.</source>
   <translation>{device} ist wieder da.</translation>
  </message>
  <message>
   <location filename="../../engine/connections.py" />
   <source>{device}: {gone}. The rest play on.</source>
   <translation>{device}: {gone}. Die übrigen spielen weiter.</translation>
  </message>
  <message>
   <location filename="../../engine/connections.py" />
   <source>{device}: its pulses and gates are back.</source>
   <translation>{device}: seine Pulse und Gates sind wieder da.</translation>
  </message>
  <message>
   <location filename="../../engine/connections.py" />
   <source>{name} is heard again.</source>
   <translation>{name} ist wieder zu hören.</translation>
  </message>
  <message>
   <location filename="../../engine/connections.py" />
   <source>{name} is no longer heard: {why}.</source>
   <translation>{name} ist nicht mehr zu hören: {why}.</translation>
  </message>
  <message>
   <location filename="../../engine/connections.py" />
   <source>{name} cannot be heard: {why}.</source>
   <translation>{name} ist nicht zu hören: {why}.</translation>
  </message>
  <message>
   <location filename="../../engine/dispatch.py" />
   <source>by a window</source>
   <translation>von einem Fenster</translation>
  </message>
  <message>
   <location filename="../../engine/dispatch.py" />
   <source>The engine could not do that ({error!r}). What plays goes on.</source>
   <translation>Die Engine konnte das nicht ({error!r}). Was spielt, spielt weiter.</translation>
  </message>
  <message>
   <location filename="../../engine/inputs.py" />
   <source>no box is heard: set Heard at, in the Rig</source>
   <translation>kein Gerät ist zu hören: stell im Rig „Gehört an“ ein</translation>
  </message>
  <message>
   <location filename="../../engine/inputs.py" />
   <source>no input of it is set: Heard at, in the Rig</source>
   <translation>kein Eingang dafür ist eingestellt: „Gehört an“, im Rig</translation>
  </message>
  <message>
   <location filename="../../engine/lines.py" />
   <source>{what} to {device}</source>
   <translation>{what} an {device}</translation>
  </message>
  <message>
   <location filename="../../engine/listening.py" />
   <source>what it plays cannot be heard; {names}</source>
   <translation>was es spielt, ist nicht zu hören; {names}</translation>
  </message>
  <message>
   <location filename="../../engine/loading.py" />
   <source>a plan of over {most_patterns} patterns</source>
   <translation>ein Plan von über {most_patterns} Patterns</translation>
  </message>
  <message>
   <location filename="../../engine/loop.py" />
   <source>{name} is no longer heard: {lost}.</source>
   <translation>{name} ist nicht mehr zu hören: {lost}.</translation>
  </message>
  <message>
   <location filename="../../engine/loop.py" />
   <source>The machine slept for {slept_s:.0f} s: stopped. Space runs again.</source>
   <translation>Der Rechner schlief {slept_s:.0f} s: angehalten. Leertaste läuft wieder los.</translation>
  </message>
  <message>
   <location filename="../../engine/loop.py" />
   <source>The engine had to end by a mistake of its own ({name}): every box is silenced. Another is started; what happened is in the log.</source>
   <translation>Die Engine musste durch einen eigenen Fehler enden ({name}): jedes Gerät ist verstummt. Eine neue ist gestartet; was geschah, steht im Protokoll.</translation>
  </message>
  <message>
   <location filename="../../engine/loop.py" />
   <source>nobody has needed it for a while</source>
   <translation>niemand hat sie eine Weile gebraucht</translation>
  </message>
  <message>
   <location filename="../../engine/outputs.py" />
   <source>{device}: {error}. The rest play on.</source>
   <translation>{device}: {error}. Die übrigen spielen weiter.</translation>
  </message>
  <message>
   <location filename="../../engine/place.py" />
   <source> [{song}, section {section}, beat {beat:.1f}]</source>
   <translation> [{song}, Abschnitt {section}, Schlag {beat:.1f}]</translation>
  </message>
  <message>
   <location filename="../../engine/playing_in.py" />
   <source>{name} cannot be reached just now</source>
   <translation>{name} ist gerade nicht zu erreichen</translation>
  </message>
  <message>
   <location filename="../../engine/playing_in.py" />
   <source>not while something plays: a pulse more would move it on</source>
   <translation>nicht, während etwas spielt: ein Puls mehr rückte es weiter</translation>
  </message>
  <message>
   <location filename="../../engine/ports.py" />
   <source>JACK does not answer</source>
   <translation>JACK antwortet nicht</translation>
  </message>
  <message>
   <location filename="../../engine/ports.py" />
   <source>no stand-in runs</source>
   <translation>kein Stellvertreter läuft</translation>
  </message>
  <message>
   <location filename="../../engine/ports.py" />
   <source>nothing carries MIDI over the network</source>
   <translation>nichts trägt MIDI über das Netz</translation>
  </message>
  <message>
   <location filename="../../engine/ports.py" />
   <source>{missing} for {device}</source>
   <translation>{missing} für {device}</translation>
  </message>
  <message>
   <location filename="../../engine/ports.py" />
   <source>its run line has to come in where its pulses do</source>
   <translation>seine Run-Leitung muss dort ankommen, wo seine Pulse ankommen</translation>
  </message>
  <message>
   <location filename="../../engine/server.py" />
   <source>an engine is already running at {path}; end it: grebe stop</source>
   <translation>an {path} läuft schon eine Engine; beende sie: grebe stop</translation>
  </message>
  <message>
   <location filename="../../engine/sources/choice.py" />
   <source>led</source>
   <translation>geführt werden</translation>
  </message>
  <message>
   <location filename="../../engine/sources/choice.py" />
   <source>followed</source>
   <translation>verfolgt werden</translation>
  </message>
  <message>
   <location filename="../../engine/sources/choice.py" />
   <source>JACK's transport cannot be {verb}: {error}.</source>
   <translation>Der Transport von JACK kann nicht {verb}: {error}.</translation>
  </message>
  <message>
   <location filename="../../engine/sources/midi.py" />
   <source>Coming in with {name}'s next tick.</source>
   <translation>Kommt mit dem nächsten Tick von {name} herein.</translation>
  </message>
  <message>
   <location filename="../../engine/transport.py" />
   <source>The engine stood still for {value:.1f} s: it was stopped, or got no processor. Boxes come in again on the next bar.</source>
   <translation>Die Engine stand {value:.1f} s still: sie war angehalten, oder bekam keinen Prozessor. Geräte kommen mit dem nächsten Takt wieder herein.</translation>
  </message>
  <message>
   <location filename="../../engine/transport.py" />
   <source>All notes off, all sound off, stopped.</source>
   <translation>Alle Noten aus, aller Klang aus, angehalten.</translation>
  </message>
  <message>
   <location filename="../../engine/transport.py" />
   <source>{leader_name} is past the song's end.</source>
   <translation>{leader_name} ist hinter dem Ende des Songs.</translation>
  </message>
  <message>
   <location filename="../../engine/transport.py" />
   <source>{playing} is playing; stop it before loading {song}.</source>
   <translation>{playing} spielt; halt es an, bevor du {song} lädst.</translation>
  </message>
  <message>
   <location filename="../../engine/transport.py" />
   <source>Mutes by hand ended with their scene: {names} as the song has it now.</source>
   <translation>Mutes von Hand endeten mit ihrer Szene: {names}, wie der Song es jetzt hat.</translation>
  </message>
  <message>
   <location filename="../../engine/transport.py" />
   <source>Waiting for {leader_name} to start.</source>
   <translation>Wartet, dass {leader_name} startet.</translation>
  </message>
  <message>
   <location filename="../../engine/watch.py" />
   <source>JACK lost time; {names} may be a tick short and is put right on the next bar.</source>
   <translation>JACK hat Zeit verloren; {names} kann einen Tick zurück sein und wird im nächsten Takt gerichtet.</translation>
  </message>
  <message>
   <location filename="../../engine/watch.py" />
   <source>{name}'s clock is lost: its tempo of {bpm:.2f} BPM is held.</source>
   <translation>Die Clock von {name} ist verloren: ihr Tempo von {bpm:.2f} BPM wird gehalten.</translation>
  </message>
  <message>
   <location filename="../../engine/watch.py" />
   <source>{name} sends what is no MIDI: {count} bytes of it are left out so far.</source>
   <translation>{name} sendet, was kein MIDI ist: {count} Bytes davon sind bisher ausgelassen.</translation>
  </message>
  <message>
   <location filename="../../engine/watch.py" />
   <source>{name}: {rate} frames a second, {period} at a time, {delay:.1f} ms behind.</source>
   <translation>{name}: {rate} Frames je Sekunde, {period} auf einmal, {delay:.1f} ms Verzug.</translation>
  </message>
  <message>
   <location filename="../../engine/watch.py" />
   <source>{name} ran out of samples {count} times: pulses of those moments came late, or not at all.</source>
   <translation>{name} gingen {count} Mal die Samples aus: Pulse dieser Momente kamen zu spät oder gar nicht.</translation>
  </message>
  <message>
   <location filename="../../engine/watch.py" />
   <source>{name}'s clock is back.</source>
   <translation>Die Clock von {name} ist zurück.</translation>
  </message>
  <message>
   <location filename="../../formats/midi_loops.py" />
   <source>pitch bend</source>
   <translation>Tonhöhenrad</translation>
  </message>
  <message>
   <location filename="../../formats/midi_loops.py" />
   <source>key pressure</source>
   <translation>Tastendruck</translation>
  </message>
  <message>
   <location filename="../../formats/midi_loops.py" />
   <source>channel pressure</source>
   <translation>Kanaldruck</translation>
  </message>
  <message>
   <location filename="../../formats/midi_loops.py" />
   <source>system exclusive</source>
   <translation>System Exclusive</translation>
  </message>
  <message>
   <location filename="../../formats/midi_loops.py" />
   <source>{notes} past its longest length left out</source>
   <translation>{notes} jenseits der größten Länge ausgelassen</translation>
  </message>
  <message>
   <location filename="../../formats/midi_loops.py" />
   <source>{notes} on a step with another left out</source>
   <translation>{notes} auf einem Schritt mit einer anderen ausgelassen</translation>
  </message>
  <message>
   <location filename="../../formats/midi_loops.py" />
   <source>notes of a chord take one level</source>
   <translation>Noten eines Akkords bekommen einen Pegel</translation>
  </message>
  <message>
   <location filename="../../formats/sheets.py" />
   <source>Grebe tells it each pattern while it plays; nothing is to be keyed in.</source>
   <translation>Grebe sagt ihm jedes Pattern, während es spielt; einzutippen ist nichts.</translation>
  </message>
  <message>
   <location filename="../../formats/sheets.py" />
   <source>Grebe plays it note by note; nothing is to be keyed in.</source>
   <translation>Grebe spielt es Note für Note; einzutippen ist nichts.</translation>
  </message>
  <message>
   <location filename="../../formats/sheets.py" />
   <source>Its own song memory plays it: key this in, line by line.</source>
   <translation>Sein eigener Songspeicher spielt es: tipp dies ein, Zeile für Zeile.</translation>
  </message>
  <message>
   <location filename="../../formats/sheets.py" />
   <source>Nothing tells it what to play: key this in as a chain, or change it by hand.</source>
   <translation>Nichts sagt ihm, was es spielen soll: tipp dies als Kette ein, oder wechsle von Hand.</translation>
  </message>
  <message>
   <location filename="../../formats/sheets.py" />
   <source>What if this goes?</source>
   <translation>Was, wenn das ausfällt?</translation>
  </message>
  <message>
   <location filename="../../formats/sheets.py" />
   <source>As it was printed on {on}.</source>
   <translation>So gedruckt am {on}.</translation>
  </message>
  <message>
   <location filename="../../formats/sheets.py" />
   <source>{new} is new since it was printed on {on}; {gone} of it are gone.</source>
   <translation>{new} ist neu, seit es am {on} gedruckt wurde; {gone} davon sind weg.</translation>
  </message>
  <message>
   <location filename="../../network/node.py" />
   <source>nobody else is heard. If somebody should be, the network may keep multicast back: type this computer's address at the other one, {address}, or the other's here</source>
   <translation>niemand sonst ist zu hören. Sollte jemand da sein, hält das Netz vielleicht Multicast zurück: gib am anderen die Adresse dieses Rechners ein, {address}, oder hier dessen Adresse</translation>
  </message>
  <message>
   <location filename="../../network/node.py" />
   <source>nobody else is heard: this computer is on no network</source>
   <translation>niemand sonst ist zu hören: dieser Rechner ist in keinem Netz</translation>
  </message>
  <message>
   <location filename="../../network/phone.py" />
   <source>Stage</source>
   <translation>Bühne</translation>
  </message>
  <message>
   <location filename="../../network/phone.py" />
   <source>Connecting.</source>
   <translation>Verbinde.</translation>
  </message>
  <message>
   <location filename="../../network/phone.py" />
   <source>The word that Grebe shows</source>
   <translation>Das Wort, das Grebe zeigt</translation>
  </message>
  <message>
   <location filename="../../network/phone.py" />
   <source>Show it</source>
   <translation>Zeigen</translation>
  </message>
  <message>
   <location filename="../../network/phone.py" />
   <source>Scan the code that Grebe shows, or type its word.</source>
   <translation>Lies den Code ein, den Grebe zeigt, oder tippe sein Wort.</translation>
  </message>
  <message>
   <location filename="../../network/phone.py" />
   <source>That is not the word. Look at Grebe's window again.</source>
   <translation>Das ist nicht das Wort. Sieh noch einmal in Grebes Fenster.</translation>
  </message>
  <message>
   <location filename="../../network/phone.py" />
   <source>The performer does not show it here.</source>
   <translation>Der Auftretende zeigt es hier nicht.</translation>
  </message>
  <message>
   <location filename="../../network/phone.py" />
   <source>Waiting until the performer accepts this phone.</source>
   <translation>Warte, bis der Auftretende dieses Telefon annimmt.</translation>
  </message>
  <message>
   <location filename="../../network/phone.py" />
   <source>The connection is lost; counting on alone, and trying again.</source>
   <translation>Die Verbindung ist weg; es wird allein weitergezählt und neu versucht.</translation>
  </message>
  <message>
   <location filename="../../network/phone.py" />
   <source>Nothing plays</source>
   <translation>Nichts spielt</translation>
  </message>
  <message>
   <location filename="../../network/phone.py" />
   <source>nothing more</source>
   <translation>nichts mehr</translation>
  </message>
  <message>
   <location filename="../../network/phone.py" />
   <source>To do</source>
   <translation>Zu tun</translation>
  </message>
  <message>
   <location filename="../../network/phone.py" />
   <source>Of</source>
   <translation>Von</translation>
  </message>
  <message>
   <location filename="../../network/phone.py" />
   <source>all boxes</source>
   <translation>allen Geräten</translation>
  </message>
  <message>
   <location filename="../../network/phone.py" />
   <source>hands free</source>
   <translation>Hände frei</translation>
  </message>
  <message>
   <location filename="../../network/phone.py" />
   <source>Bar and beat</source>
   <translation>Takt und Schlag</translation>
  </message>
  <message>
   <location filename="../../network/phone.py" />
   <source>in {n} bars</source>
   <translation>in {n} Takten</translation>
  </message>
  <message>
   <location filename="../../network/phone.py" />
   <source>no port from {first} to {last} is free</source>
   <translation>kein Port von {first} bis {last} ist frei</translation>
  </message>
  <message>
   <location filename="../../ui/main_window/action_book.py" />
   <source>Not in this part of {station_names}.</source>
   <translation>Nicht in diesem Teil von {station_names}.</translation>
  </message>
  <message>
   <location filename="../../ui/main_window/application.py" />
   <source>The window had crashed and is back; what plays went on.</source>
   <translation>Das Fenster war abgestürzt und ist zurück; was spielt, lief weiter.</translation>
  </message>
  <message>
   <location filename="../../ui/main_window/bringing_page.py" />
   <source>MIDI files (*.mid *.midi)</source>
   <translation>MIDI-Dateien (*.mid *.midi)</translation>
  </message>
  <message>
   <location filename="../../ui/main_window/bringing_page.py" />
   <source>Take</source>
   <translation>Nehmen</translation>
  </message>
  <message>
   <location filename="../../ui/main_window/bringing_page.py" />
   <source>In it</source>
   <translation>Darin</translation>
  </message>
  <message>
   <location filename="../../ui/main_window/bringing_page.py" />
   <source>From bar</source>
   <translation>Ab Takt</translation>
  </message>
  <message>
   <location filename="../../ui/main_window/bringing_page.py" />
   <source>Grid</source>
   <translation>Raster</translation>
  </message>
  <message>
   <location filename="../../ui/main_window/bringing_page.py" />
   <source>Strictly</source>
   <translation>Streng</translation>
  </message>
  <message>
   <location filename="../../ui/main_window/bringing_page.py" />
   <source>{wanted} of {count} are taken.</source>
   <translation>{wanted} von {count} werden genommen.</translation>
  </message>
  <message>
   <location filename="../../ui/main_window/bringing_page.py" />
   <source>MIDI files</source>
   <translation>MIDI-Dateien</translation>
  </message>
  <message>
   <location filename="../../ui/main_window/bringing_page.py" />
   <source>Box, bars and key are proposed from the notes. Change what is wrong, leave out what you do not want.</source>
   <translation>Gerät, Takte und Tonart sind nach den Noten vorgeschlagen. Ändere, was falsch ist, lass aus, was du nicht willst.</translation>
  </message>
  <message>
   <location filename="../../ui/main_window/bringing_page.py" />
   <source>What came</source>
   <translation>Was kam</translation>
  </message>
  <message>
   <location filename="../../ui/main_window/bringing_page.py" />
   <source>Take them as patterns</source>
   <translation>Als Patterns nehmen</translation>
  </message>
  <message>
   <location filename="../../ui/main_window/bringing_page.py" />
   <source>Take them as a song</source>
   <translation>Als Song nehmen</translation>
  </message>
  <message>
   <location filename="../../ui/main_window/bringing_page.py" />
   <source>Bring in MIDI files</source>
   <translation>MIDI-Dateien hereinholen</translation>
  </message>
  <message>
   <location filename="../../ui/main_window/bringing_page.py" />
   <source>Bring in every MIDI file of</source>
   <translation>Jede MIDI-Datei hereinholen aus</translation>
  </message>
  <message>
   <location filename="../../ui/main_window/bringing_page.py" />
   <source>Box of {track}</source>
   <translation>Gerät von {track}</translation>
  </message>
  <message>
   <location filename="../../ui/main_window/bringing_page.py" />
   <source>Grid of {track}</source>
   <translation>Raster von {track}</translation>
  </message>
  <message>
   <location filename="../../ui/main_window/bringing_page.py" />
   <source>Hear</source>
   <translation>Hören</translation>
  </message>
  <message>
   <location filename="../../ui/main_window/bringing_page.py" />
   <source>Hear {track}</source>
   <translation>{track} hören</translation>
  </message>
  <message>
   <location filename="../../ui/main_window/bringing_page.py" />
   <source>Key of {track}</source>
   <translation>Tonart von {track}</translation>
  </message>
  <message>
   <location filename="../../ui/main_window/bringing_page.py" />
   <source>Choose files, or drop them here.</source>
   <translation>Wähl Dateien, oder lass sie hier fallen.</translation>
  </message>
  <message>
   <location filename="../../ui/main_window/bringing_page.py" />
   <source>a new box: {kind}</source>
   <translation>ein neues Gerät: {kind}</translation>
  </message>
  <message>
   <location filename="../../ui/main_window/bringing_page.py" />
   <source>First bar of {track}</source>
   <translation>Erster Takt von {track}</translation>
  </message>
  <message>
   <location filename="../../ui/main_window/bringing_page.py" />
   <source>Bars of {track}</source>
   <translation>Takte von {track}</translation>
  </message>
  <message>
   <location filename="../../ui/main_window/bringing_page.py" />
   <source>How strictly {track} is put on its grid, per cent</source>
   <translation>Wie streng {track} auf sein Raster kommt, Prozent</translation>
  </message>
  <message>
   <location filename="../../ui/main_window/bringing_page.py" />
   <source>as played</source>
   <translation>wie gespielt</translation>
  </message>
  <message>
   <location filename="../../ui/main_window/bringing_page.py" />
   <source> ({value} more were refused)</source>
   <translation> ({value} weitere wurden abgelehnt)</translation>
  </message>
  <message>
   <location filename="../../ui/main_window/bringing_page.py" />
   <source>Not taken over: {lost}.</source>
   <translation>Nicht übernommen: {lost}.</translation>
  </message>
  <message>
   <location filename="../../ui/main_window/bringing_page.py" />
   <source>As patterns not: {lost}.</source>
   <translation>Als Muster nicht: {lost}.</translation>
  </message>
  <message>
   <location filename="../../ui/main_window/display.py" />
   <source>{title} - Grebe</source>
   <translation>{title} - Grebe</translation>
  </message>
  <message>
   <location filename="../../ui/main_window/display.py" />
   <source>Nothing is shown yet.</source>
   <translation>Noch wird nichts gezeigt.</translation>
  </message>
  <message>
   <location filename="../../ui/main_window/display.py" />
   <source>the network process ended</source>
   <translation>der Netzprozess ist beendet</translation>
  </message>
  <message>
   <location filename="../../ui/main_window/display.py" />
   <source>Nothing has been heard for a while: what is shown may be past.</source>
   <translation>Seit einer Weile war nichts zu hören: was da steht, kann vorbei sein.</translation>
  </message>
  <message>
   <location filename="../../ui/main_window/display.py" />
   <source>Nothing more is shown: {words}.</source>
   <translation>Es wird nichts mehr gezeigt: {words}.</translation>
  </message>
  <message>
   <location filename="../../ui/main_window/documents.py" />
   <source>Replace it</source>
   <translation>Ersetzen</translation>
  </message>
  <message>
   <location filename="../../ui/main_window/documents.py" />
   <source>Keep mine</source>
   <translation>Meines behalten</translation>
  </message>
  <message>
   <location filename="../../ui/main_window/documents.py" />
   <source>Take theirs</source>
   <translation>Ihres nehmen</translation>
  </message>
  <message>
   <location filename="../../ui/main_window/documents.py" />
   <source>Save both</source>
   <translation>Beide speichern</translation>
  </message>
  <message>
   <location filename="../../ui/main_window/documents.py" />
   <source>Leave without them</source>
   <translation>Ohne sie gehen</translation>
  </message>
  <message>
   <location filename="../../ui/main_window/documents.py" />
   <source>{path} is there already in {path2}. Replacing it keeps what is there now as {kept}.</source>
   <translation>{path} gibt es in {path2} schon. Ersetzen behält, was jetzt dort ist, als {kept}.</translation>
  </message>
  <message>
   <location filename="../../ui/main_window/documents.py" />
   <source>{store} has been changed by another window or program since it was opened here.

{keep_mine}: yours is saved, theirs stays as {path}.
{take_theirs}: theirs is shown; Undo brings yours back.
{save_both}: yours is saved as {path2}.</source>
   <translation>{store} wurde von einem anderen Fenster oder Programm geändert, seit es hier geöffnet ist.

{keep_mine}: deines wird gespeichert, ihres bleibt als {path}.
{take_theirs}: ihres wird gezeigt; Rückgängig bringt deines zurück.
{save_both}: deines wird als {path2} gespeichert.</translation>
  </message>
  <message>
   <location filename="../../ui/main_window/documents.py" />
   <source>{session} has changes that are not saved.</source>
   <translation>{session} hat Änderungen, die nicht gespeichert sind.</translation>
  </message>
  <message>
   <location filename="../../ui/main_window/documents.py" />
   <source>Saved {store}.</source>
   <translation>{store} gespeichert.</translation>
  </message>
  <message>
   <location filename="../../ui/main_window/documents.py" />
   <source>Save the project</source>
   <translation>Das Projekt speichern</translation>
  </message>
  <message>
   <location filename="../../ui/main_window/documents.py" />
   <source>Save a copy</source>
   <translation>Eine Kopie speichern</translation>
  </message>
  <message>
   <location filename="../../ui/main_window/documents.py" />
   <source>that is the project itself: a copy needs another name</source>
   <translation>das ist das Projekt selbst: eine Kopie braucht einen anderen Namen</translation>
  </message>
  <message>
   <location filename="../../ui/main_window/documents.py" />
   <source>Wrote a copy: {path}.</source>
   <translation>Kopie geschrieben: {path}.</translation>
  </message>
  <message>
   <location filename="../../ui/main_window/documents.py" />
   <source>Changed on disk</source>
   <translation>Auf der Platte geändert</translation>
  </message>
  <message>
   <location filename="../../ui/main_window/documents.py" />
   <source>Saved {store}; theirs is {name}.</source>
   <translation>{store} gespeichert; ihres ist {name}.</translation>
  </message>
  <message>
   <location filename="../../ui/main_window/documents.py" />
   <source>Unsaved changes</source>
   <translation>Nicht gespeicherte Änderungen</translation>
  </message>
  <message>
   <location filename="../../ui/main_window/documents.py" />
   <source>{store} as it is on the disk. {undo} brings yours.</source>
   <translation>{store}, wie es auf der Platte ist. {undo} bringt deines.</translation>
  </message>
  <message>
   <location filename="../../ui/main_window/documents.py" />
   <source>Saved as {store}; theirs keeps its name.</source>
   <translation>Als {store} gespeichert; ihres behält seinen Namen.</translation>
  </message>
  <message>
   <location filename="../../ui/main_window/drops.py" />
   <source>{path} is nothing that can be brought in here: projects (*{suffix}), profiles, MIDI files, folders of them, and WAV files can.</source>
   <translation>{path} ist nichts, das hier hereingeholt werden kann: Projekte (*{suffix}), Profile, MIDI-Dateien, Ordner davon und WAV-Dateien gehen.</translation>
  </message>
  <message>
   <location filename="../../ui/main_window/file_actions.py" />
   <source>Export {song} as a MIDI file into</source>
   <translation>{song} als MIDI-Datei ausgeben in</translation>
  </message>
  <message>
   <location filename="../../ui/main_window/file_actions.py" />
   <source>Open a project</source>
   <translation>Ein Projekt öffnen</translation>
  </message>
  <message>
   <location filename="../../ui/main_window/file_actions.py" />
   <source>There is no other project to attach to.</source>
   <translation>Es gibt kein anderes Projekt zum Anhängen.</translation>
  </message>
  <message>
   <location filename="../../ui/main_window/file_actions.py" />
   <source>Wrote {path}.</source>
   <translation>{path} geschrieben.</translation>
  </message>
  <message>
   <location filename="../../ui/main_window/finder.py" />
   <source>Find an action</source>
   <translation>Eine Aktion finden</translation>
  </message>
  <message>
   <location filename="../../ui/main_window/finder.py" />
   <source>Type any of its words: drums out, tempo, thru</source>
   <translation>Tipp eines ihrer Wörter: Schlagzeug, Tempo, Thru</translation>
  </message>
  <message>
   <location filename="../../ui/main_window/finder.py" />
   <source>Find an action, or anything by its name</source>
   <translation>Eine Aktion finden, oder irgendetwas nach Namen</translation>
  </message>
  <message>
   <location filename="../../ui/main_window/finder.py" />
   <source>Found</source>
   <translation>Gefunden</translation>
  </message>
  <message>
   <location filename="../../ui/main_window/frame.py" />
   <source>{new}, without a name yet</source>
   <translation>{new}, noch ohne Namen</translation>
  </message>
  <message>
   <location filename="../../ui/main_window/frame.py" />
   <source>{name}{star} - Grebe</source>
   <translation>{name}{star} - Grebe</translation>
  </message>
  <message>
   <location filename="../../ui/main_window/head_buttons.py" />
   <source>Key: {printed}</source>
   <translation>Taste: {printed}</translation>
  </message>
  <message>
   <location filename="../../ui/main_window/help_page.py" />
   <source>Help</source>
   <translation>Hilfe</translation>
  </message>
  <message>
   <location filename="../../ui/main_window/help_page.py" />
   <source>Report a problem</source>
   <translation>Ein Problem melden</translation>
  </message>
  <message>
   <location filename="../../ui/main_window/help_page.py" />
   <source>Change the keys</source>
   <translation>Die Tasten ändern</translation>
  </message>
  <message>
   <location filename="../../ui/main_window/help_page.py" />
   <source>Search</source>
   <translation>Suchen</translation>
  </message>
  <message>
   <location filename="../../ui/main_window/help_page.py" />
   <source>Search the help</source>
   <translation>In der Hilfe suchen</translation>
  </message>
  <message>
   <location filename="../../ui/main_window/help_page.py" />
   <source>What can be done here</source>
   <translation>Was hier getan werden kann</translation>
  </message>
  <message>
   <location filename="../../ui/main_window/help_page.py" />
   <source>{numbers} to {numbers2}</source>
   <translation>{numbers} bis {numbers2}</translation>
  </message>
  <message>
   <location filename="../../ui/main_window/help_page.py" />
   <source>{menu} menu</source>
   <translation>Menü {menu}</translation>
  </message>
  <message>
   <location filename="../../ui/main_window/help_page.py" />
   <source>By the pointer</source>
   <translation>Mit dem Zeiger</translation>
  </message>
  <message>
   <location filename="../../ui/main_window/help_page.py" />
   <source>Everywhere</source>
   <translation>Überall</translation>
  </message>
  <message>
   <location filename="../../ui/main_window/help_page.py" />
   <source>What a letter means</source>
   <translation>Was ein Buchstabe bedeutet</translation>
  </message>
  <message>
   <location filename="../../ui/main_window/help_page.py" />
   <source>Nothing here has those words.</source>
   <translation>Nichts hier hat diese Wörter.</translation>
  </message>
  <message>
   <location filename="../../ui/main_window/help_page.py" />
   <source>By OSC, told</source>
   <translation>Über OSC, gesagt</translation>
  </message>
  <message>
   <location filename="../../ui/main_window/help_page.py" />
   <source>By OSC, asked</source>
   <translation>Über OSC, gefragt</translation>
  </message>
  <message>
   <location filename="../../ui/main_window/keys_page.py" />
   <source>What it does</source>
   <translation>Was sie tut</translation>
  </message>
  <message>
   <location filename="../../ui/main_window/keys_page.py" />
   <source>Where</source>
   <translation>Wo</translation>
  </message>
  <message>
   <location filename="../../ui/main_window/keys_page.py" />
   <source>Keys</source>
   <translation>Tasten</translation>
  </message>
  <message>
   <location filename="../../ui/main_window/keys_page.py" />
   <source>As shipped</source>
   <translation>Wie ausgeliefert</translation>
  </message>
  <message>
   <location filename="../../ui/main_window/keys_page.py" />
   <source>Clashes with</source>
   <translation>Stößt sich mit</translation>
  </message>
  <message>
   <location filename="../../ui/main_window/keys_page.py" />
   <source>{printed} means two things in {station_names}: {title}, and {title2}. The first is done.</source>
   <translation>{printed} bedeutet in {station_names} zweierlei: {title}, und {title2}. Das erste geschieht.</translation>
  </message>
  <message>
   <location filename="../../ui/main_window/keys_page.py" />
   <source>Search the keys</source>
   <translation>In den Tasten suchen</translation>
  </message>
  <message>
   <location filename="../../ui/main_window/keys_page.py" />
   <source>Enter or Change, then press the key it is to have. Esc leaves it as it is.</source>
   <translation>Enter oder Ändern, dann die Taste drücken, die sie haben soll. Esc lässt sie, wie sie ist.</translation>
  </message>
  <message>
   <location filename="../../ui/main_window/keys_page.py" />
   <source>All keys are as shipped.</source>
   <translation>Alle Tasten sind wie ausgeliefert.</translation>
  </message>
  <message>
   <location filename="../../ui/main_window/keys_page.py" />
   <source>Read keys</source>
   <translation>Tasten lesen</translation>
  </message>
  <message>
   <location filename="../../ui/main_window/keys_page.py" />
   <source>Write keys</source>
   <translation>Tasten schreiben</translation>
  </message>
  <message>
   <location filename="../../ui/main_window/keys_page.py" />
   <source>Change</source>
   <translation>Ändern</translation>
  </message>
  <message>
   <location filename="../../ui/main_window/keys_page.py" />
   <source>No key</source>
   <translation>Keine Taste</translation>
  </message>
  <message>
   <location filename="../../ui/main_window/keys_page.py" />
   <source>All as shipped</source>
   <translation>Alle wie ausgeliefert</translation>
  </message>
  <message>
   <location filename="../../ui/main_window/keys_page.py" />
   <source>Read a file</source>
   <translation>Datei lesen</translation>
  </message>
  <message>
   <location filename="../../ui/main_window/keys_page.py" />
   <source>Write a file</source>
   <translation>Datei schreiben</translation>
  </message>
  <message>
   <location filename="../../ui/main_window/keys_page.py" />
   <source>Press the key for: {waits_title}</source>
   <translation>Drück die Taste für: {waits_title}</translation>
  </message>
  <message>
   <location filename="../../ui/main_window/keys_page.py" />
   <source>Left as it was.</source>
   <translation>Gelassen, wie es war.</translation>
  </message>
  <message>
   <location filename="../../ui/main_window/keys_page.py" />
   <source>{words} It could not be kept ({strerror}).</source>
   <translation>{words} Es ließ sich nicht behalten ({strerror}).</translation>
  </message>
  <message>
   <location filename="../../ui/main_window/keys_page.py" />
   <source>{action_title}: no key.</source>
   <translation>{action_title}: keine Taste.</translation>
  </message>
  <message>
   <location filename="../../ui/main_window/keys_page.py" />
   <source>{action_title}: as it was.</source>
   <translation>{action_title}: wie sie war.</translation>
  </message>
  <message>
   <location filename="../../ui/main_window/keys_page.py" />
   <source>Read {path}.</source>
   <translation>{path} gelesen.</translation>
  </message>
  <message>
   <location filename="../../ui/main_window/keys_page.py" />
   <source>This one has a key for each number: press one with its 1.</source>
   <translation>Diese hat für jede Zahl eine Taste: drück eine mit ihrer 1.</translation>
  </message>
  <message>
   <location filename="../../ui/main_window/keys_page.py" />
   <source>{path} could not be written: {strerror}.</source>
   <translation>{path} ließ sich nicht schreiben: {strerror}.</translation>
  </message>
  <message>
   <location filename="../../ui/main_window/lists.py" />
   <source>Messages</source>
   <translation>Meldungen</translation>
  </message>
  <message>
   <location filename="../../ui/main_window/lists.py" />
   <source>Look: </source>
   <translation>Achtung: </translation>
  </message>
  <message>
   <location filename="../../ui/main_window/lists.py" />
   <source>Wrong: </source>
   <translation>Falsch: </translation>
  </message>
  <message>
   <location filename="../../ui/main_window/lists.py" />
   <source>{messages}, the newest first.</source>
   <translation>{messages}, die neueste zuerst.</translation>
  </message>
  <message>
   <location filename="../../ui/main_window/lists.py" />
   <source>Cautions</source>
   <translation>Vorsicht</translation>
  </message>
  <message>
   <location filename="../../ui/main_window/lists.py" />
   <source>Where rules of the venue or the country are stricter, they hold. What is electrical is for licensed people.</source>
   <translation>Wo Regeln des Hauses oder des Landes strenger sind, gelten sie. Elektrisches ist Sache von Fachleuten.</translation>
  </message>
  <message>
   <location filename="../../ui/main_window/lists.py" />
   <source>History</source>
   <translation>Verlauf</translation>
  </message>
  <message>
   <location filename="../../ui/main_window/lists.py" />
   <source>As it was opened</source>
   <translation>Wie es geöffnet wurde</translation>
  </message>
  <message>
   <location filename="../../ui/main_window/lists.py" />
   <source>{steps} done, {count} undone. Enter or a click goes to any; nothing is lost by that until the next edit.</source>
   <translation>{steps} getan, {count} zurückgenommen. Enter oder ein Klick geht zu jedem; verloren geht dabei nichts bis zur nächsten Änderung.</translation>
  </message>
  <message>
   <location filename="../../ui/main_window/lists.py" />
   <source>{name} (undone)</source>
   <translation>{name} (zurückgenommen)</translation>
  </message>
  <message>
   <location filename="../../ui/main_window/lists.py" />
   <source>message</source>
   <translation>Meldung</translation>
  </message>
  <message>
   <location filename="../../ui/main_window/lists.py" />
   <source>messages</source>
   <translation>Meldungen</translation>
  </message>
  <message>
   <location filename="../../ui/main_window/lists.py" />
   <source>step</source>
   <translation>Schritt</translation>
  </message>
  <message>
   <location filename="../../ui/main_window/lists.py" />
   <source>steps</source>
   <translation>Schritte</translation>
  </message>
  <message>
   <location filename="../../ui/main_window/menus.py" />
   <source>Find an action   Ctrl+K</source>
   <translation>Eine Aktion finden   Ctrl+K</translation>
  </message>
  <message>
   <location filename="../../ui/main_window/menus.py" />
   <source>Find an action   {printed}</source>
   <translation>Eine Aktion finden   {printed}</translation>
  </message>
  <message>
   <location filename="../../ui/main_window/menus.py" />
   <source>The {kind}</source>
   <translation>Das in der Hand: {kind}</translation>
  </message>
  <message>
   <location filename="../../ui/main_window/mishap.py" />
   <source>Something went wrong in Grebe ({name}{place}). What plays goes on; Ctrl+F1 shows what happened, to be sent on.</source>
   <translation>In Grebe ging etwas schief ({name}{place}). Was spielt, spielt weiter; Ctrl+F1 zeigt, was geschah, zum Weitersenden.</translation>
  </message>
  <message>
   <location filename="../../ui/main_window/mishap.py" />
   <source> in {name}, line {lineno}</source>
   <translation> in {name}, Zeile {lineno}</translation>
  </message>
  <message>
   <location filename="../../ui/main_window/overlay.py" />
   <source>Close</source>
   <translation>Schließen</translation>
  </message>
  <message>
   <location filename="../../ui/main_window/phone_actions.py" />
   <source>no phone asks to see Stage</source>
   <translation>kein Telefon will Stage sehen</translation>
  </message>
  <message>
   <location filename="../../ui/main_window/phone_actions.py" />
   <source>A phone at {address} asks to see Stage.</source>
   <translation>Ein Telefon bei {address} will Stage sehen.</translation>
  </message>
  <message>
   <location filename="../../ui/main_window/phone_page.py" />
   <source>Stage on phones</source>
   <translation>Stage auf Telefonen</translation>
  </message>
  <message>
   <location filename="../../ui/main_window/phone_page.py" />
   <source>For a drummer, a helper or the lights: scene, bar, what comes, what is to do. To be read and nothing more; only on this network, and only who you accept.</source>
   <translation>Für Trommler, Helfer oder Licht: Szene, Takt, was kommt, was zu tun ist. Nur zum Lesen, nur in diesem Netz, und nur wen du annimmst.</translation>
  </message>
  <message>
   <location filename="../../ui/main_window/phone_page.py" />
   <source>Nothing is shown to anybody.</source>
   <translation>Niemandem wird etwas gezeigt.</translation>
  </message>
  <message>
   <location filename="../../ui/main_window/phone_page.py" />
   <source>Nobody has asked yet.</source>
   <translation>Noch hat niemand gefragt.</translation>
  </message>
  <message>
   <location filename="../../ui/main_window/phone_page.py" />
   <source>sees it</source>
   <translation>sieht es</translation>
  </message>
  <message>
   <location filename="../../ui/main_window/phone_page.py" />
   <source>asks to see it</source>
   <translation>will es sehen</translation>
  </message>
  <message>
   <location filename="../../ui/main_window/phone_page.py" />
   <source>Code to be scanned: {text}</source>
   <translation>Code zum Einlesen: {text}</translation>
  </message>
  <message>
   <location filename="../../ui/main_window/phone_page.py" />
   <source>Show it no longer</source>
   <translation>Nicht mehr zeigen</translation>
  </message>
  <message>
   <location filename="../../ui/main_window/phone_page.py" />
   <source>Show it on phones</source>
   <translation>Auf Telefonen zeigen</translation>
  </message>
  <message>
   <location filename="../../ui/main_window/phone_page.py" />
   <source>Scan it, or open {url} and type: {word}</source>
   <translation>Lies ihn ein, oder öffne {url} und tippe: {word}</translation>
  </message>
  <message>
   <location filename="../../ui/main_window/phone_page.py" />
   <source>A phone at {address} {seen}.</source>
   <translation>Ein Telefon bei {address} {seen}.</translation>
  </message>
  <message>
   <location filename="../../ui/main_window/phone_page.py" />
   <source>Send away</source>
   <translation>Wegschicken</translation>
  </message>
  <message>
   <location filename="../../ui/main_window/rail.py" />
   <source>Stations</source>
   <translation>Stationen</translation>
  </message>
  <message>
   <location filename="../../ui/main_window/rail.py" />
   <source>{name}, {count} to look at</source>
   <translation>{name}, {count} anzusehen</translation>
  </message>
  <message>
   <location filename="../../ui/main_window/reporting.py" />
   <source>Ports are still being looked for.</source>
   <translation>Ports werden noch gesucht.</translation>
  </message>
  <message>
   <location filename="../../ui/main_window/reporting.py" />
   <source>With the project, {path} as it was last saved</source>
   <translation>Mit dem Projekt, {path}, wie es zuletzt gespeichert wurde</translation>
  </message>
  <message>
   <location filename="../../ui/main_window/reporting.py" />
   <source>Parts of the report</source>
   <translation>Teile des Berichts</translation>
  </message>
  <message>
   <location filename="../../ui/main_window/reporting.py" />
   <source>What is in the part chosen</source>
   <translation>Was in dem gewählten Teil steht</translation>
  </message>
  <message>
   <location filename="../../ui/main_window/reporting.py" />
   <source>This is all that would be in the report. Grebe sends nothing: save it, look at it, and send it on yourself.</source>
   <translation>Das ist alles, was in dem Bericht stünde. Grebe sendet nichts: speichere ihn, sieh ihn an, und sende ihn selbst weiter.</translation>
  </message>
  <message>
   <location filename="../../ui/main_window/reporting.py" />
   <source>Save the report</source>
   <translation>Den Bericht speichern</translation>
  </message>
  <message>
   <location filename="../../ui/main_window/reporting.py" />
   <source>The project has no file yet, so it cannot go along</source>
   <translation>Das Projekt hat noch keine Datei, also kann es nicht mitgehen</translation>
  </message>
  <message>
   <location filename="../../ui/main_window/reporting.py" />
   <source>ZIP files (*.zip)</source>
   <translation>ZIP-Dateien (*.zip)</translation>
  </message>
  <message>
   <location filename="../../ui/main_window/reporting.py" />
   <source>Saved {path}.</source>
   <translation>{path} gespeichert.</translation>
  </message>
  <message>
   <location filename="../../ui/main_window/room_actions.py" />
   <source>Write markers into</source>
   <translation>Marken schreiben nach</translation>
  </message>
  <message>
   <location filename="../../ui/main_window/room_actions.py" />
   <source>There is no song yet.</source>
   <translation>Es gibt noch kein Stück.</translation>
  </message>
  <message>
   <location filename="../../ui/main_window/room_actions.py" />
   <source>There is no set yet.</source>
   <translation>Es gibt noch kein Set.</translation>
  </message>
  <message>
   <location filename="../../ui/main_window/settings_page.py" />
   <source>In ms: one that is farther off is named on the waterline. Each has its own in Rig.</source>
   <translation>In ms: was weiter weg ist, wird auf der Wasserlinie genannt. Im Rig hat jedes sein eigenes.</translation>
  </message>
  <message>
   <location filename="../../ui/main_window/settings_page.py" />
   <source>Hands</source>
   <translation>Hände</translation>
  </message>
  <message>
   <location filename="../../ui/main_window/settings_page.py" />
   <source>Free to make moves, 0 to 2. Kept in this project.</source>
   <translation>Frei für Griffe, 0 bis 2. In diesem Projekt behalten.</translation>
  </message>
  <message>
   <location filename="../../ui/main_window/settings_page.py" />
   <source>Free feet</source>
   <translation>Freie Füße</translation>
  </message>
  <message>
   <location filename="../../ui/main_window/settings_page.py" />
   <source>For pedals: one stands. Kept in this project.</source>
   <translation>Für Pedale: auf einem steht man. In diesem Projekt behalten.</translation>
  </message>
  <message>
   <location filename="../../ui/main_window/settings_page.py" />
   <source>Bars unchanged</source>
   <translation>Takte unverändert</translation>
  </message>
  <message>
   <location filename="../../ui/main_window/settings_page.py" />
   <source>A longer stretch is found. Kept in this project.</source>
   <translation>Eine längere Strecke wird gefunden. In diesem Projekt behalten.</translation>
  </message>
  <message>
   <location filename="../../ui/main_window/settings_page.py" />
   <source>Form</source>
   <translation>Form</translation>
  </message>
  <message>
   <location filename="../../ui/main_window/settings_page.py" />
   <source>Whose advice on form is wanted. Kept in this project.</source>
   <translation>Wessen Rat zur Form gewünscht ist. In diesem Projekt behalten.</translation>
  </message>
  <message>
   <location filename="../../ui/main_window/settings_page.py" />
   <source>Search the settings</source>
   <translation>In den Einstellungen suchen</translation>
  </message>
  <message>
   <location filename="../../ui/main_window/settings_page.py" />
   <source>Priority of the engine</source>
   <translation>Priorität der Engine</translation>
  </message>
  <message>
   <location filename="../../ui/main_window/settings_page.py" />
   <source>real-time realtime fifo latency</source>
   <translation>Echtzeit fifo Latenz</translation>
  </message>
  <message>
   <location filename="../../ui/main_window/settings_page.py" />
   <source>Every action with its keys; files of keys.</source>
   <translation>Jede Aktion mit ihren Tasten; Dateien von Tasten.</translation>
  </message>
  <message>
   <location filename="../../ui/main_window/settings_page.py" />
   <source>Controllers and pedals</source>
   <translation>Controller und Pedale</translation>
  </message>
  <message>
   <location filename="../../ui/main_window/settings_page.py" />
   <source>Pedals</source>
   <translation>Pedale</translation>
  </message>
  <message>
   <location filename="../../ui/main_window/settings_page.py" />
   <source>What controllers, pedals and computer keys do on Stage. Kept in this project.</source>
   <translation>Was Controller, Pedale und Computertasten auf der Bühne tun. In diesem Projekt behalten.</translation>
  </message>
  <message>
   <location filename="../../ui/main_window/settings_page.py" />
   <source>feet footswitch midi learn</source>
   <translation>Füße Fußschalter midi lernen</translation>
  </message>
  <message>
   <location filename="../../ui/main_window/settings_page.py" />
   <source>Hands, feet and tolerances</source>
   <translation>Hände, Füße und Toleranzen</translation>
  </message>
  <message>
   <location filename="../../ui/main_window/settings_page.py" />
   <source>ms off late early</source>
   <translation>ms daneben spät früh</translation>
  </message>
  <message>
   <location filename="../../ui/main_window/settings_page.py" />
   <source>Kept on this computer, where nothing else is said.</source>
   <translation>Auf diesem Computer behalten, wo nichts anderes steht.</translation>
  </message>
  <message>
   <location filename="../../ui/main_window/settings_page.py" />
   <source>you performer</source>
   <translation>du Spielende</translation>
  </message>
  <message>
   <location filename="../../ui/main_window/settings_page.py" />
   <source>no engine yet</source>
   <translation>noch keine Engine</translation>
  </message>
  <message>
   <location filename="../../ui/main_window/settings_page.py" />
   <source>{title}: kept.</source>
   <translation>{title}: behalten.</translation>
  </message>
  <message>
   <location filename="../../ui/main_window/settings_page.py" />
   <source>Kept in this project.</source>
   <translation>In diesem Projekt behalten.</translation>
  </message>
  <message>
   <location filename="../../ui/main_window/settings_page.py" />
   <source>real-time</source>
   <translation>Echtzeit</translation>
  </message>
  <message>
   <location filename="../../ui/main_window/settings_page.py" />
   <source>ordinary</source>
   <translation>gewöhnlich</translation>
  </message>
  <message>
   <location filename="../../ui/main_window/settings_page.py" />
   <source>What the engine got from the system.</source>
   <translation>Was die Engine vom System bekam.</translation>
  </message>
  <message>
   <location filename="../../ui/main_window/settings_page.py" />
   <source>{title}: {error}. It stays as it was.</source>
   <translation>{title}: {error}. Es bleibt, wie es ist.</translation>
  </message>
  <message>
   <location filename="../../ui/main_window/settings_page.py" />
   <source>{error}. It stays as it was.</source>
   <translation>{error}. Es bleibt, wie es ist.</translation>
  </message>
  <message>
   <location filename="../../ui/main_window/start_page.py" />
   <source>not said</source>
   <translation>nicht gesagt</translation>
  </message>
  <message>
   <location filename="../../ui/main_window/start_page.py" />
   <source>A box that is not here, asked about in Rig</source>
   <translation>Ein anderes, im Rig gefragt</translation>
  </message>
  <message>
   <location filename="../../ui/main_window/start_page.py" />
   <source>One beat for every box, from the first pattern to the last song.</source>
   <translation>Ein Schlag für jedes Gerät, vom ersten Pattern bis zum letzten Song.</translation>
  </message>
  <message>
   <location filename="../../ui/main_window/start_page.py" />
   <source>Go on with</source>
   <translation>Weiter mit</translation>
  </message>
  <message>
   <location filename="../../ui/main_window/start_page.py" />
   <source>Look at an example</source>
   <translation>Ein Beispiel ansehen</translation>
  </message>
  <message>
   <location filename="../../ui/main_window/start_page.py" />
   <source>Untitled</source>
   <translation>Ohne Titel</translation>
  </message>
  <message>
   <location filename="../../ui/main_window/start_page.py" />
   <source>Begin</source>
   <translation>Beginnen</translation>
  </message>
  <message>
   <location filename="../../ui/main_window/start_page.py" />
   <source>Be walked through a first set</source>
   <translation>Durch ein erstes Set führen lassen</translation>
  </message>
  <message>
   <location filename="../../ui/main_window/start_page.py" />
   <source>No box yet: an empty project is begun, boxes can be added in Rig.</source>
   <translation>Noch kein Gerät: ein leeres Projekt wird begonnen, Geräte kommen im Rig dazu.</translation>
  </message>
  <message>
   <location filename="../../ui/main_window/start_page.py" />
   <source>Open another</source>
   <translation>Anderes öffnen</translation>
  </message>
  <message>
   <location filename="../../ui/main_window/start_page.py" />
   <source>New: which boxes?</source>
   <translation>Neu: welche Geräte?</translation>
  </message>
  <message>
   <location filename="../../ui/main_window/start_page.py" />
   <source>What they are, not who made them. All of it can be changed later, or skipped.</source>
   <translation>Was sie sind, nicht wer sie gemacht hat. Alles lässt sich später ändern, oder überspringen.</translation>
  </message>
  <message>
   <location filename="../../ui/main_window/start_page.py" />
   <source>How many: {value}</source>
   <translation>Wie viele: {value}</translation>
  </message>
  <message>
   <location filename="../../ui/main_window/start_page.py" />
   <source>How they hang together</source>
   <translation>Wie sie zusammenhängen</translation>
  </message>
  <message>
   <location filename="../../ui/main_window/start_page.py" />
   <source>Called</source>
   <translation>Heißt</translation>
  </message>
  <message>
   <location filename="../../ui/main_window/start_page.py" />
   <source>not there: on a drive that is not plugged in?</source>
   <translation>nicht da: auf einem Laufwerk, das nicht angesteckt ist?</translation>
  </message>
  <message>
   <location filename="../../ui/main_window/start_page.py" />
   <source>Nothing yet.</source>
   <translation>Noch nichts.</translation>
  </message>
  <message>
   <location filename="../../ui/main_window/start_page.py" />
   <source>Nothing would stop this rig.</source>
   <translation>Nichts würde dieses Rig aufhalten.</translation>
  </message>
  <message>
   <location filename="../../ui/main_window/start_page.py" />
   <source>{error}. It stays at {shown} BPM.</source>
   <translation>{error}. Es bleibt bei {shown} BPM.</translation>
  </message>
  <message>
   <location filename="../../ui/main_window/taking_page.py" />
   <source>a new box</source>
   <translation>ein neues Gerät</translation>
  </message>
  <message>
   <location filename="../../ui/main_window/taking_page.py" />
   <source>Songs</source>
   <translation>Songs</translation>
  </message>
  <message>
   <location filename="../../ui/main_window/taking_page.py" />
   <source>Scenes</source>
   <translation>Szenen</translation>
  </message>
  <message>
   <location filename="../../ui/main_window/taking_page.py" />
   <source>Boxes</source>
   <translation>Geräte</translation>
  </message>
  <message>
   <location filename="../../ui/main_window/taking_page.py" />
   <source>Out of another project</source>
   <translation>Aus einem anderen Projekt</translation>
  </message>
  <message>
   <location filename="../../ui/main_window/taking_page.py" />
   <source>Tick what you want; what it needs comes along. Boxes you have already are yours.</source>
   <translation>Hak an, was du willst; was es braucht, kommt mit. Geräte, die du schon hast, sind deine.</translation>
  </message>
  <message>
   <location filename="../../ui/main_window/taking_page.py" />
   <source>What is in it</source>
   <translation>Was darin ist</translation>
  </message>
  <message>
   <location filename="../../ui/main_window/taking_page.py" />
   <source>Choose a project</source>
   <translation>Ein Projekt wählen</translation>
  </message>
  <message>
   <location filename="../../ui/main_window/taking_page.py" />
   <source>Take them</source>
   <translation>Nehmen</translation>
  </message>
  <message>
   <location filename="../../ui/main_window/taking_page.py" />
   <source>Take out of which project?</source>
   <translation>Aus welchem Projekt nehmen?</translation>
  </message>
  <message>
   <location filename="../../ui/main_window/taking_page.py" />
   <source>Out of {path}</source>
   <translation>Aus {path}</translation>
  </message>
  <message>
   <location filename="../../ui/main_window/taking_page.py" />
   <source>It would add {names}.</source>
   <translation>Es käme dazu: {names}.</translation>
  </message>
  <message>
   <location filename="../../ui/main_window/taking_page.py" />
   <source>Nothing is ticked.</source>
   <translation>Nichts ist angehakt.</translation>
  </message>
  <message>
   <location filename="../../ui/main_window/taking_page.py" />
   <source>{theirs} is your {own}</source>
   <translation>{theirs} ist dein {own}</translation>
  </message>
  <message>
   <location filename="../../ui/main_window/taking_page.py" />
   <source>Which box is which</source>
   <translation>Welches Gerät welches ist</translation>
  </message>
  <message>
   <location filename="../../ui/main_window/taking_page.py" />
   <source>{theirs} is</source>
   <translation>{theirs} ist</translation>
  </message>
  <message>
   <location filename="../../ui/main_window/view_actions.py" />
   <source>Grebe {version}. Its licence, and those of its parts, lie with it.</source>
   <translation>Grebe {version}. Seine Lizenz, und die seiner Teile, liegen bei.</translation>
  </message>
  <message>
   <location filename="../../ui/main_window/waiting.py" />
   <source>{path} is missing - Grebe</source>
   <translation>{path} fehlt - Grebe</translation>
  </message>
  <message>
   <location filename="../../ui/main_window/waiting.py" />
   <source>{path} is not there</source>
   <translation>{path} ist nicht da</translation>
  </message>
  <message>
   <location filename="../../ui/main_window/waiting.py" />
   <source>It was in {path} when it was open last.</source>
   <translation>Es lag in {path}, als es zuletzt offen war.</translation>
  </message>
  <message>
   <location filename="../../ui/main_window/waiting.py" />
   <source>Is it on a drive that is not plugged in? As soon as it is there it opens by itself.
Grebe goes on looking for it the next time, too, until another project is opened.</source>
   <translation>Liegt es auf einem Laufwerk, das nicht angesteckt ist? Sobald es da ist, öffnet es sich von selbst.
Grebe sucht es auch beim nächsten Mal, bis ein anderes Projekt geöffnet wird.</translation>
  </message>
  <message>
   <location filename="../../ui/main_window/waiting.py" />
   <source>Open another project</source>
   <translation>Ein anderes Projekt öffnen</translation>
  </message>
  <message>
   <location filename="../../ui/main_window/waiting.py" />
   <source>Look at the demo</source>
   <translation>Die Demo ansehen</translation>
  </message>
  <message>
   <location filename="../../ui/main_window/walk_bar.py" />
   <source>That was it: a set of your own. docs/guide.md has the same with pictures; Ctrl+K finds anything else.</source>
   <translation>Das war es: ein eigenes Set. docs/guide.md hat dasselbe mit Bildern; Ctrl+K findet alles andere.</translation>
  </message>
  <message>
   <location filename="../../ui/main_window/walk_bar.py" />
   <source>A first set, step by step</source>
   <translation>Ein erstes Set, Schritt für Schritt</translation>
  </message>
  <message>
   <location filename="../../ui/main_window/walk_bar.py" />
   <source>{done} of {count} steps are done</source>
   <translation>{done} von {count} Schritten sind getan</translation>
  </message>
  <message>
   <location filename="../../ui/main_window/walk_bar.py" />
   <source>Go there</source>
   <translation>Dorthin gehen</translation>
  </message>
  <message>
   <location filename="../../ui/main_window/walk_bar.py" />
   <source>Skip it</source>
   <translation>Überspringen</translation>
  </message>
  <message>
   <location filename="../../ui/main_window/walk_bar.py" />
   <source>Leave</source>
   <translation>Verlassen</translation>
  </message>
  <message>
   <location filename="../../ui/main_window/walk_bar.py" />
   <source>{walk_number} of {count}: {step_title}</source>
   <translation>{walk_number} von {count}: {step_title}</translation>
  </message>
  <message>
   <location filename="../../ui/main_window/waterline.py" />
   <source>bar.beat</source>
   <translation>Takt.Schlag</translation>
  </message>
  <message>
   <location filename="../../ui/main_window/waterline.py" />
   <source>BPM  tap T  led by {led}</source>
   <translation>BPM  tippen T  geführt von {led}</translation>
  </message>
  <message>
   <location filename="../../ui/main_window/waterline.py" />
   <source>{computers}, {max:.2f} ms</source>
   <translation>{computers}, {max:.2f} ms</translation>
  </message>
  <message>
   <location filename="../../ui/main_window/waterline.py" />
   <source>Run</source>
   <translation>Los</translation>
  </message>
  <message>
   <location filename="../../ui/main_window/waterline.py" />
   <source>Waterline</source>
   <translation>Wasserlinie</translation>
  </message>
  <message>
   <location filename="../../ui/main_window/waterline.py" />
   <source>Stop</source>
   <translation>Halt</translation>
  </message>
  <message>
   <location filename="../../ui/main_window/waterline.py" />
   <source>in {coming}</source>
   <translation>in {coming}</translation>
  </message>
  <message>
   <location filename="../../ui/main_window/waterline.py" />
   <source>bar.beat   of {bars}</source>
   <translation>Takt.Schlag   von {bars}</translation>
  </message>
  <message>
   <location filename="../../ui/main_window/waterline.py" />
   <source>pushed {pushed:+g} %</source>
   <translation>angeschoben {pushed:+g} %</translation>
  </message>
  <message>
   <location filename="../../ui/main_window/waterline.py" />
   <source>tapped {low:.1f} to {high:.1f}</source>
   <translation>getippt {low:.1f} bis {high:.1f}</translation>
  </message>
  <message>
   <location filename="../../ui/main_window/waterline.py" />
   <source>BPM  tap T  {led} not heard</source>
   <translation>BPM  Tap T  {led} nicht gehört</translation>
  </message>
  <message>
   <location filename="../../ui/main_window/waterline.py" />
   <source>waits for {name}</source>
   <translation>wartet auf {name}</translation>
  </message>
  <message>
   <location filename="../../ui/main_window/waterline.py" />
   <source>holds {name}'s tempo</source>
   <translation>hält das Tempo von {name}</translation>
  </message>
  <message>
   <location filename="../../ui/main_window/waterline.py" />
   <source>follows {name}</source>
   <translation>folgt {name}</translation>
  </message>
  <message>
   <location filename="../../ui/main_window/waterline.py" />
   <source>computer</source>
   <translation>Computer</translation>
  </message>
  <message>
   <location filename="../../ui/main_window/waterline.py" />
   <source>computers</source>
   <translation>Computer</translation>
  </message>
  <message>
   <location filename="../../ui/main_window/waterline.py" />
   <source>No box is heard yet</source>
   <translation>Noch kein Gerät gehört</translation>
  </message>
  <message>
   <location filename="../../ui/main_window/waterline.py" />
   <source>Nothing sounds before Run</source>
   <translation>Nichts klingt vor Los</translation>
  </message>
  <message>
   <location filename="../../ui/main_window/waterline.py" />
   <source>Starting the engine</source>
   <translation>Die Engine startet</translation>
  </message>
  <message>
   <location filename="../../ui/main_window/waterline.py" />
   <source>The engine plays</source>
   <translation>Die Engine spielt</translation>
  </message>
  <message>
   <location filename="../../ui/main_window/waterline.py" />
   <source>No engine</source>
   <translation>Keine Engine</translation>
  </message>
  <message>
   <location filename="../../ui/main_window/waterline.py" />
   <source>within {max:.1f} ms</source>
   <translation>innerhalb {max:.1f} ms</translation>
  </message>
  <message>
   <location filename="../../ui/main_window/waterline.py" />
   <source>{device}: pulses gone</source>
   <translation>{device}: Pulse fort</translation>
  </message>
  <message>
   <location filename="../../ui/main_window/waterline.py" />
   <source>{device}: port gone</source>
   <translation>{device}: Port fort</translation>
  </message>
  <message>
   <location filename="../../ui/stations/log/canvas.py" />
   <source>Nothing of this kind is in the log, or nothing that fits what is looked for.</source>
   <translation>Nichts dieser Art steht im Logbuch, oder nichts, das zum Gesuchten passt.</translation>
  </message>
  <message>
   <location filename="../../ui/stations/log/canvas.py" />
   <source>ready above this</source>
   <translation>darüber sitzt es</translation>
  </message>
  <message>
   <location filename="../../ui/stations/log/canvas.py" />
   <source>In words</source>
   <translation>In Worten</translation>
  </message>
  <message>
   <location filename="../../ui/stations/log/canvas.py" />
   <source>written</source>
   <translation>geschrieben</translation>
  </message>
  <message>
   <location filename="../../ui/stations/log/canvas.py" />
   <source>played</source>
   <translation>gespielt</translation>
  </message>
  <message>
   <location filename="../../ui/stations/log/side.py" />
   <source>any</source>
   <translation>beliebig</translation>
  </message>
  <message>
   <location filename="../../ui/stations/log/side.py" />
   <source>Venue</source>
   <translation>Ort</translation>
  </message>
  <message>
   <location filename="../../ui/stations/log/side.py" />
   <source>Search in words</source>
   <translation>In Worten suchen</translation>
  </message>
  <message>
   <location filename="../../ui/stations/log/side.py" />
   <source>Search the log</source>
   <translation>Das Logbuch durchsuchen</translation>
  </message>
  <message>
   <location filename="../../ui/stations/log/side.py" />
   <source>What there is</source>
   <translation>Was es gibt</translation>
  </message>
  <message>
   <location filename="../../ui/stations/log/side.py" />
   <source>From, 2026-11-30</source>
   <translation>Von, 2026-11-30</translation>
  </message>
  <message>
   <location filename="../../ui/stations/log/side.py" />
   <source>Until, 2026-11-30</source>
   <translation>Bis, 2026-11-30</translation>
  </message>
  <message>
   <location filename="../../ui/stations/log/side.py" />
   <source>How warm</source>
   <translation>Wie warm</translation>
  </message>
  <message>
   <location filename="../../ui/stations/log/side.py" />
   <source>Noted of this run</source>
   <translation>Zu diesem Durchlauf notiert</translation>
  </message>
  <message>
   <location filename="../../ui/stations/log/view.py" />
   <source>Tonight</source>
   <translation>Heute Abend</translation>
  </message>
  <message>
   <location filename="../../ui/stations/log/view.py" />
   <source>Changes</source>
   <translation>Wechsel</translation>
  </message>
  <message>
   <location filename="../../ui/stations/log/view.py" />
   <source>{at} of {count}</source>
   <translation>{at} von {count}</translation>
  </message>
  <message>
   <location filename="../../ui/stations/log/view.py" />
   <source>The same as a table</source>
   <translation>Dasselbe als Tabelle</translation>
  </message>
  <message>
   <location filename="../../ui/stations/log/view.py" />
   <source>What is played, checked and rehearsed is written down here, on this computer alone.</source>
   <translation>Was gespielt, geprüft und geprobt wird, wird hier aufgeschrieben, allein auf diesem Rechner.</translation>
  </message>
  <message>
   <location filename="../../ui/stations/log/view.py" />
   <source>The log</source>
   <translation>Das Logbuch</translation>
  </message>
  <message>
   <location filename="../../ui/stations/log/view.py" />
   <source>The evening of {day} is forgotten.</source>
   <translation>Der Abend des {day} ist vergessen.</translation>
  </message>
  <message>
   <location filename="../../ui/stations/log/view.py" />
   <source>A run, as it went</source>
   <translation>Ein Durchlauf, wie er war</translation>
  </message>
  <message>
   <location filename="../../ui/stations/log/view.py" />
   <source>A box over time</source>
   <translation>Ein Gerät über die Zeit</translation>
  </message>
  <message>
   <location filename="../../ui/stations/log/view.py" />
   <source>A change over rehearsals</source>
   <translation>Ein Wechsel über die Proben</translation>
  </message>
  <message>
   <location filename="../../ui/stations/log/view.py" />
   <source>Log</source>
   <translation>Log</translation>
  </message>
  <message>
   <location filename="../../ui/stations/log/view.py" />
   <source>Noted: {note}</source>
   <translation>Notiert: {note}</translation>
  </message>
  <message>
   <location filename="../../ui/stations/log/view.py" />
   <source>Nothing stands out.</source>
   <translation>Nichts fällt auf.</translation>
  </message>
  <message>
   <location filename="../../ui/stations/log/view.py" />
   <source>there is nothing to print yet</source>
   <translation>es gibt noch nichts zu drucken</translation>
  </message>
  <message>
   <location filename="../../ui/stations/patterns/canvas.py" />
   <source>{row}, step {step}: {words}</source>
   <translation>{row}, Schritt {step}: {words}</translation>
  </message>
  <message>
   <location filename="../../ui/stations/patterns/canvas.py" />
   <source>{steps} of {rate}</source>
   <translation>{steps} zu {rate}</translation>
  </message>
  <message>
   <location filename="../../ui/stations/patterns/canvas.py" />
   <source>This pattern has no voices. {add_voice} adds one.</source>
   <translation>Dieses Pattern hat keine Stimmen. {add_voice} fügt eine hinzu.</translation>
  </message>
  <message>
   <location filename="../../ui/stations/patterns/canvas.py" />
   <source>No pattern yet. {new_pattern} makes one, {import_loop} imports a MIDI file.</source>
   <translation>Noch kein Pattern. {new_pattern} macht eines, {import_loop} liest eine MIDI-Datei ein.</translation>
  </message>
  <message>
   <location filename="../../ui/stations/patterns/canvas.py" />
   <source>{steps}, even</source>
   <translation>{steps}, gerade</translation>
  </message>
  <message>
   <location filename="../../ui/stations/patterns/canvas.py" />
   <source>, swing {swing:g}</source>
   <translation>, Swing {swing:g}</translation>
  </message>
  <message>
   <location filename="../../ui/stations/patterns/canvas.py" />
   <source>No box yet. {add_box} in Rig adds one.</source>
   <translation>Noch kein Gerät. {add_box} im Rig fügt eines hinzu.</translation>
  </message>
  <message>
   <location filename="../../ui/stations/patterns/capture.py" />
   <source>What was played</source>
   <translation>Was gespielt wurde</translation>
  </message>
  <message>
   <location filename="../../ui/stations/patterns/capture.py" />
   <source>Nothing has been played in yet. Play on a box that is plugged into Grebe, or press 1 to 9 for the voices of this pattern.</source>
   <translation>Noch wurde nichts eingespielt. Spiel auf einem Gerät, das an Grebe steckt, oder drück 1 bis 9 für die Stimmen dieses Patterns.</translation>
  </message>
  <message>
   <location filename="../../ui/stations/patterns/capture.py" />
   <source>the last {shown_bars} bars</source>
   <translation>die letzten {shown_bars} Takte</translation>
  </message>
  <message>
   <location filename="../../ui/stations/patterns/capture.py" />
   <source>the song's, {bpm:g} BPM</source>
   <translation>die des Songs, {bpm:g} BPM</translation>
  </message>
  <message>
   <location filename="../../ui/stations/patterns/capture.py" />
   <source>straight</source>
   <translation>gerade</translation>
  </message>
  <message>
   <location filename="../../ui/stations/patterns/capture.py" />
   <source>by its gate</source>
   <translation>nach seinem Gate</translation>
  </message>
  <message>
   <location filename="../../ui/stations/patterns/capture.py" />
   <source>one-shot</source>
   <translation>ausklingend</translation>
  </message>
  <message>
   <location filename="../../ui/stations/patterns/capture.py" />
   <source>a voice a note</source>
   <translation>eine Stimme je Note</translation>
  </message>
  <message>
   <location filename="../../ui/stations/patterns/capture.py" />
   <source>one voice with pitches</source>
   <translation>eine Stimme mit Tonhöhen</translation>
  </message>
  <message>
   <location filename="../../ui/stations/patterns/capture.py" />
   <source>Quantise, %</source>
   <translation>Quantisieren, %</translation>
  </message>
  <message>
   <location filename="../../ui/stations/patterns/capture.py" />
   <source>Onto swing</source>
   <translation>Auf Swing</translation>
  </message>
  <message>
   <location filename="../../ui/stations/patterns/capture.py" />
   <source>As</source>
   <translation>Als</translation>
  </message>
  <message>
   <location filename="../../ui/stations/patterns/capture.py" />
   <source>Make a pattern</source>
   <translation>Ein Pattern machen</translation>
  </message>
  <message>
   <location filename="../../ui/stations/patterns/capture.py" />
   <source>Lay over this one</source>
   <translation>Über dieses legen</translation>
  </message>
  <message>
   <location filename="../../ui/stations/patterns/capture.py" />
   <source>as played, {bpm:g} BPM</source>
   <translation>wie gespielt, {bpm:g} BPM</translation>
  </message>
  <message>
   <location filename="../../ui/stations/patterns/capture.py" />
   <source>half, {bpm:g} BPM</source>
   <translation>halb, {bpm:g} BPM</translation>
  </message>
  <message>
   <location filename="../../ui/stations/patterns/capture.py" />
   <source>double, {bpm:g} BPM</source>
   <translation>doppelt, {bpm:g} BPM</translation>
  </message>
  <message>
   <location filename="../../ui/stations/patterns/capture.py" />
   <source>the pattern's, {own:g} %</source>
   <translation>der des Patterns, {own:g} %</translation>
  </message>
  <message>
   <location filename="../../ui/stations/patterns/capture.py" />
   <source>played with {swing:g} % swing</source>
   <translation>mit {swing:g} % Swing gespielt</translation>
  </message>
  <message>
   <location filename="../../ui/stations/patterns/capture.py" />
   <source>played straight</source>
   <translation>gerade gespielt</translation>
  </message>
  <message>
   <location filename="../../ui/stations/patterns/capture.py" />
   <source>{bars} ({nearly} only nearly)</source>
   <translation>{bars} ({nearly} nur beinahe)</translation>
  </message>
  <message>
   <location filename="../../ui/stations/patterns/capture.py" />
   <source>It repeats after {bars}; {swing}, nearest to {rate}. {notes} would be taken.</source>
   <translation>Es wiederholt sich nach {bars}; {swing}, am nächsten bei {rate}. {notes} würden genommen.</translation>
  </message>
  <message>
   <location filename="../../ui/stations/patterns/capture.py" />
   <source>as played, {swing:g} %</source>
   <translation>wie gespielt, {swing:g} %</translation>
  </message>
  <message>
   <location filename="../../ui/stations/patterns/facts.py" />
   <source>polymeter: the same step, other lengths</source>
   <translation>Polymeter: derselbe Schritt, andere Längen</translation>
  </message>
  <message>
   <location filename="../../ui/stations/patterns/facts.py" />
   <source>polyrhythm: the same length, other steps</source>
   <translation>Polyrhythmus: dieselbe Länge, andere Schritte</translation>
  </message>
  <message>
   <location filename="../../ui/stations/patterns/facts.py" />
   <source>other lengths and other steps</source>
   <translation>andere Längen und andere Schritte</translation>
  </message>
  <message>
   <location filename="../../ui/stations/patterns/facts.py" />
   <source>{steps} steps</source>
   <translation>{steps} Schritte</translation>
  </message>
  <message>
   <location filename="../../ui/stations/patterns/facts.py" />
   <source>{float:.1f} steps</source>
   <translation>{float:.1f} Schritte</translation>
  </message>
  <message>
   <location filename="../../ui/stations/patterns/facts.py" />
   <source>outside it: {strange}</source>
   <translation>außerhalb: {strange}</translation>
  </message>
  <message>
   <location filename="../../ui/stations/patterns/facts.py" />
   <source>nothing leaves it</source>
   <translation>nichts verlässt sie</translation>
  </message>
  <message>
   <location filename="../../ui/stations/patterns/facts.py" />
   <source>{device}: level {level_number} of {of}, {level_value:g} %, {off}</source>
   <translation>{device}: Stufe {level_number} von {of}, {level_value:g} %, {off}</translation>
  </message>
  <message>
   <location filename="../../ui/stations/patterns/facts.py" />
   <source>of {of}; differs on {steps}, marked under the lines</source>
   <translation>von {of}; anders auf {steps}, unter den Zeilen markiert</translation>
  </message>
  <message>
   <location filename="../../ui/stations/patterns/facts.py" />
   <source>{density:.1f} strokes a beat</source>
   <translation>{density:.1f} Anschläge je Schlag</translation>
  </message>
  <message>
   <location filename="../../ui/stations/patterns/facts.py" />
   <source>Used in</source>
   <translation>Benutzt in</translation>
  </message>
  <message>
   <location filename="../../ui/stations/patterns/facts.py" />
   <source>Lines up again</source>
   <translation>Trifft sich wieder</translation>
  </message>
  <message>
   <location filename="../../ui/stations/patterns/facts.py" />
   <source>{count}, {seconds:.1f} s at {bpm:g} BPM</source>
   <translation>{count}, {seconds:.1f} s bei {bpm:g} BPM</translation>
  </message>
  <message>
   <location filename="../../ui/stations/patterns/facts.py" />
   <source>{swing:g} %: second steps {late:.1f} ms late</source>
   <translation>{swing:g} %: zweite Schritte {late:.1f} ms spät</translation>
  </message>
  <message>
   <location filename="../../ui/stations/patterns/facts.py" />
   <source>exactly</source>
   <translation>genau</translation>
  </message>
  <message>
   <location filename="../../ui/stations/patterns/facts.py" />
   <source>{off_ms:+.1f} ms off</source>
   <translation>{off_ms:+.1f} ms daneben</translation>
  </message>
  <message>
   <location filename="../../ui/stations/patterns/facts.py" />
   <source>busiest at step {value}: {notes}, the last lands {late:.1f} ms after the first begins</source>
   <translation>am vollsten bei Schritt {value}: {notes}, die letzte landet {late:.1f} ms nach dem Beginn der ersten</translation>
  </message>
  <message>
   <location filename="../../ui/stations/patterns/facts.py" />
   <source>Memory of the box</source>
   <translation>Speicher des Geräts</translation>
  </message>
  <message>
   <location filename="../../ui/stations/patterns/facts.py" />
   <source>no scene yet</source>
   <translation>noch keine Szene</translation>
  </message>
  <message>
   <location filename="../../ui/stations/patterns/facts.py" />
   <source>lengths {lengths}</source>
   <translation>Längen {lengths}</translation>
  </message>
  <message>
   <location filename="../../ui/stations/patterns/facts.py" />
   <source>no voices yet</source>
   <translation>noch keine Stimmen</translation>
  </message>
  <message>
   <location filename="../../ui/stations/patterns/facts.py" />
   <source>A polyrhythm instead: {even}.</source>
   <translation>Stattdessen ein Polyrhythmus: {even}.</translation>
  </message>
  <message>
   <location filename="../../ui/stations/patterns/facts.py" />
   <source>with its own length: {beats_text}</source>
   <translation>mit eigener Länge: {beats_text}</translation>
  </message>
  <message>
   <location filename="../../ui/stations/patterns/facts.py" />
   <source>Its variations</source>
   <translation>Seine Variationen</translation>
  </message>
  <message>
   <location filename="../../ui/stations/patterns/facts.py" />
   <source>{device} plays its own copy until this is keyed in and B pressed. A stand-in takes it over by itself.</source>
   <translation>{device} spielt seine eigene Kopie, bis dies eingetippt und B gedrückt ist. Ein Stellvertreter übernimmt es von selbst.</translation>
  </message>
  <message>
   <location filename="../../ui/stations/patterns/facts.py" />
   <source>A polymeter instead: {longer} or {shorter}, at the pattern's step.</source>
   <translation>Stattdessen ein Polymeter: {longer} oder {shorter}, im Schritt des Patterns.</translation>
  </message>
  <message>
   <location filename="../../ui/stations/patterns/grips.py" />
   <source>held for {percent} % of a step</source>
   <translation>{percent} % eines Schritts gehalten</translation>
  </message>
  <message>
   <location filename="../../ui/stations/patterns/grips.py" />
   <source>{shift:+d} thousandths, at {at:.1f} ms</source>
   <translation>{shift:+d} Tausendstel, bei {at:.1f} ms</translation>
  </message>
  <message>
   <location filename="../../ui/stations/patterns/grips.py" />
   <source>velocity {value}</source>
   <translation>Anschlag {value}</translation>
  </message>
  <message>
   <location filename="../../ui/stations/patterns/grips.py" />
   <source>steps {first} to {last}</source>
   <translation>Schritt {first} bis {last}</translation>
  </message>
  <message>
   <location filename="../../ui/stations/patterns/grips.py" />
   <source>step {step}: {value}</source>
   <translation>Schritt {step}: {value}</translation>
  </message>
  <message>
   <location filename="../../ui/stations/patterns/grips.py" />
   <source>row {number} of {count}</source>
   <translation>Zeile {number} von {count}</translation>
  </message>
  <message>
   <location filename="../../ui/stations/patterns/grips.py" />
   <source>{how} {later:+d} steps, {down:+d} rows</source>
   <translation>{how} um {later:+d} Schritte, {down:+d} Zeilen</translation>
  </message>
  <message>
   <location filename="../../ui/stations/patterns/grips.py" />
   <source>{rows}, steps {first} to {last}</source>
   <translation>{rows}, Schritt {first} bis {last}</translation>
  </message>
  <message>
   <location filename="../../ui/stations/patterns/grips.py" />
   <source>step {number}</source>
   <translation>Schritt {number}</translation>
  </message>
  <message>
   <location filename="../../ui/stations/patterns/grips.py" />
   <source>copied</source>
   <translation>kopiert</translation>
  </message>
  <message>
   <location filename="../../ui/stations/patterns/grips.py" />
   <source>moved</source>
   <translation>verschoben</translation>
  </message>
  <message>
   <location filename="../../ui/stations/patterns/loops.py" />
   <source>slice {number}</source>
   <translation>Scheibe {number}</translation>
  </message>
  <message>
   <location filename="../../ui/stations/patterns/loops.py" />
   <source>begins at {start:.3f} s</source>
   <translation>beginnt bei {start:.3f} s</translation>
  </message>
  <message>
   <location filename="../../ui/stations/patterns/loops.py" />
   <source>Write {loop} at {bpm:g} BPM</source>
   <translation>{loop} mit {bpm:g} BPM schreiben</translation>
  </message>
  <message>
   <location filename="../../ui/stations/patterns/loops.py" />
   <source>No loops on this box yet. {import_loop} takes a WAV file in; or drop one here.</source>
   <translation>Noch keine Loops auf diesem Gerät. {import_loop} nimmt eine WAV-Datei herein; oder lass eine hier fallen.</translation>
  </message>
  <message>
   <location filename="../../ui/stations/patterns/loops.py" />
   <source>A pattern of it</source>
   <translation>Pattern daraus</translation>
  </message>
  <message>
   <location filename="../../ui/stations/patterns/loops.py" />
   <source>Fit: slices</source>
   <translation>Passend: Scheiben</translation>
  </message>
  <message>
   <location filename="../../ui/stations/patterns/loops.py" />
   <source>Fit: pitch</source>
   <translation>Passend: Tonhöhe</translation>
  </message>
  <message>
   <location filename="../../ui/stations/patterns/loops.py" />
   <source> ({others} loops; PgDown for the next)</source>
   <translation> ({others} Loops; Bild ab zum nächsten)</translation>
  </message>
  <message>
   <location filename="../../ui/stations/patterns/loops.py" />
   <source>{loop}{more}: {bars} in {seconds:.2f} s, {bpm:.2f} BPM; {slices}{what}. To {bpm2:g} BPM by pitch: {semitones:+.2f} semitones; by slices: none.</source>
   <translation>{loop}{more}: {bars} in {seconds:.2f} s, {bpm:.2f} BPM; {slices}{what}. Auf {bpm2:g} BPM durch Tonhöhe: {semitones:+.2f} Halbtöne; durch Scheiben: keine.</translation>
  </message>
  <message>
   <location filename="../../ui/stations/patterns/loops.py" />
   <source> held</source>
   <translation> gehalten</translation>
  </message>
  <message>
   <location filename="../../ui/stations/patterns/loops.py" />
   <source>slice</source>
   <translation>Scheibe</translation>
  </message>
  <message>
   <location filename="../../ui/stations/patterns/loops.py" />
   <source>slices</source>
   <translation>Scheiben</translation>
  </message>
  <message>
   <location filename="../../ui/stations/patterns/loops.py" />
   <source> on one shared slot</source>
   <translation> auf einem gemeinsamen Platz</translation>
  </message>
  <message>
   <location filename="../../ui/stations/patterns/makers.py" />
   <source>Generate {name}</source>
   <translation>{name} erzeugen</translation>
  </message>
  <message>
   <location filename="../../ui/stations/patterns/makers.py" />
   <source>Generator</source>
   <translation>Generator</translation>
  </message>
  <message>
   <location filename="../../ui/stations/patterns/makers.py" />
   <source>no voice</source>
   <translation>keine Stimme</translation>
  </message>
  <message>
   <location filename="../../ui/stations/patterns/makers.py" />
   <source>Esc: done. Ctrl+Z: as it was.</source>
   <translation>Esc: fertig. Ctrl+Z: wie es war.</translation>
  </message>
  <message>
   <location filename="../../ui/stations/patterns/memory.py" />
   <source>in it</source>
   <translation>darin</translation>
  </message>
  <message>
   <location filename="../../ui/stations/patterns/memory.py" />
   <source>changed</source>
   <translation>geändert</translation>
  </message>
  <message>
   <location filename="../../ui/stations/patterns/memory.py" />
   <source>Memory map</source>
   <translation>Speicherkarte</translation>
  </message>
  <message>
   <location filename="../../ui/stations/patterns/memory.py" />
   <source>{pattern} to {place}</source>
   <translation>{pattern} nach {place}</translation>
  </message>
  <message>
   <location filename="../../ui/stations/patterns/memory.py" />
   <source>Its own copy is played</source>
   <translation>Seine eigene Kopie wird gespielt</translation>
  </message>
  <message>
   <location filename="../../ui/stations/patterns/memory.py" />
   <source>Numbers it is told</source>
   <translation>Nummern, die ihm gesagt werden</translation>
  </message>
  <message>
   <location filename="../../ui/stations/patterns/memory.py" />
   <source>, {more} columns more</source>
   <translation>, {more} Spalten mehr</translation>
  </message>
  <message>
   <location filename="../../ui/stations/patterns/memory.py" />
   <source>{device}: {count} places. {kind}{beyond}. {assign}: the pattern in hand here. {copy_here}: a copy. {remove}: free it.</source>
   <translation>{device}: {count} Plätze. {kind}{beyond}. {assign}: das Pattern in der Hand hierher. {copy_here}: eine Kopie. {remove}: freimachen.</translation>
  </message>
  <message>
   <location filename="../../ui/stations/patterns/memory.py" />
   <source>No box in hand.</source>
   <translation>Kein Gerät in der Hand.</translation>
  </message>
  <message>
   <location filename="../../ui/stations/patterns/note_lanes.py" />
   <source>flam {ms:.0f} ms</source>
   <translation>Flam {ms:.0f} ms</translation>
  </message>
  <message>
   <location filename="../../ui/stations/patterns/steps.py" />
   <source>Step sheet</source>
   <translation>Schrittblatt</translation>
  </message>
  <message>
   <location filename="../../ui/stations/patterns/transfer.py" />
   <source>Write {pattern} into</source>
   <translation>{pattern} schreiben in</translation>
  </message>
  <message>
   <location filename="../../ui/stations/patterns/transfer.py" />
   <source>Import MIDI files as patterns, WAV files as loops</source>
   <translation>MIDI-Dateien als Patterns einlesen, WAV-Dateien als Loops</translation>
  </message>
  <message>
   <location filename="../../ui/stations/patterns/transfer.py" />
   <source>MIDI and audio files ({kinds})</source>
   <translation>MIDI- und Audiodateien ({kinds})</translation>
  </message>
  <message>
   <location filename="../../ui/stations/patterns/transfer.py" />
   <source>Import every MIDI file of</source>
   <translation>Jede MIDI-Datei einlesen aus</translation>
  </message>
  <message>
   <location filename="../../ui/stations/patterns/transfer.py" />
   <source>Wrote {names}.</source>
   <translation>{names} geschrieben.</translation>
  </message>
  <message>
   <location filename="../../ui/stations/patterns/transfer.py" />
   <source>Add a device first: a pattern belongs to one.</source>
   <translation>Füg erst ein Gerät hinzu: ein Pattern gehört zu einem.</translation>
  </message>
  <message>
   <location filename="../../ui/stations/patterns/transfer.py" />
   <source>Imported {patterns}: {names}.</source>
   <translation>{patterns} eingelesen: {names}.</translation>
  </message>
  <message>
   <location filename="../../ui/stations/patterns/transfer.py" />
   <source> and {count} more</source>
   <translation> und {count} mehr</translation>
  </message>
  <message>
   <location filename="../../ui/stations/patterns/transfer.py" />
   <source>Not taken over: {lost}{more}.</source>
   <translation>Nicht übernommen: {lost}{more}.</translation>
  </message>
  <message>
   <location filename="../../ui/stations/patterns/view.py" />
   <source>This hit</source>
   <translation>Dieser Anschlag</translation>
  </message>
  <message>
   <location filename="../../ui/stations/patterns/view.py" />
   <source>This value</source>
   <translation>Dieser Wert</translation>
  </message>
  <message>
   <location filename="../../ui/stations/patterns/view.py" />
   <source>Controller lane</source>
   <translation>Controllerspur</translation>
  </message>
  <message>
   <location filename="../../ui/stations/patterns/view.py" />
   <source>All of it</source>
   <translation>Alles davon</translation>
  </message>
  <message>
   <location filename="../../ui/stations/patterns/view.py" />
   <source>Note lanes</source>
   <translation>Notenspuren</translation>
  </message>
  <message>
   <location filename="../../ui/stations/patterns/view.py" />
   <source>Memory</source>
   <translation>Speicher</translation>
  </message>
  <message>
   <location filename="../../ui/stations/patterns/view.py" />
   <source>Loops</source>
   <translation>Loops</translation>
  </message>
  <message>
   <location filename="../../ui/stations/patterns/view.py" />
   <source>{makes} makes one; {takes} imports a MIDI file as one.</source>
   <translation>{makes} macht eines; {takes} liest eine MIDI-Datei als eines ein.</translation>
  </message>
  <message>
   <location filename="../../ui/stations/patterns/view.py" />
   <source>{row}, step {value}</source>
   <translation>{row}, Schritt {value}</translation>
  </message>
  <message>
   <location filename="../../ui/stations/patterns/view.py" />
   <source>A pattern belongs to a box: {add_box} in Rig adds one.</source>
   <translation>Ein Pattern gehört zu einem Gerät: {add_box} im Rig fügt eines hinzu.</translation>
  </message>
  <message>
   <location filename="../../ui/stations/patterns/view.py" />
   <source>No box yet</source>
   <translation>Noch kein Gerät</translation>
  </message>
  <message>
   <location filename="../../ui/stations/patterns/view.py" />
   <source>swing {swing:g} %</source>
   <translation>Swing {swing:g} %</translation>
  </message>
  <message>
   <location filename="../../ui/stations/patterns/view.py" />
   <source>take pinned to pass {value}</source>
   <translation>Take, an Durchgang {value} geheftet</translation>
  </message>
  <message>
   <location filename="../../ui/stations/patterns/view.py" />
   <source>its pattern {printed}, sent as program {program}</source>
   <translation>sein Pattern {printed}, gesendet als Programm {program}</translation>
  </message>
  <message>
   <location filename="../../ui/stations/patterns/view.py" />
   <source>{device} plays it: {box_status}</source>
   <translation>{device} spielt es: {box_status}</translation>
  </message>
  <message>
   <location filename="../../ui/stations/patterns/view.py" />
   <source>played by Grebe</source>
   <translation>von Grebe gespielt</translation>
  </message>
  <message>
   <location filename="../../ui/stations/rig/abilities.py" />
   <source>Banks</source>
   <translation>Bänke</translation>
  </message>
  <message>
   <location filename="../../ui/stations/rig/abilities.py" />
   <source>Its words</source>
   <translation>Seine Worte</translation>
  </message>
  <message>
   <location filename="../../ui/stations/rig/abilities.py" />
   <source>These deny one another, so it cannot be saved as a profile yet: </source>
   <translation>Diese widersprechen einander, also lässt es sich noch nicht als Profil speichern: </translation>
  </message>
  <message>
   <location filename="../../ui/stations/rig/abilities.py" />
   <source>Add a row</source>
   <translation>Zeile dazu</translation>
  </message>
  <message>
   <location filename="../../ui/stations/rig/abilities.py" />
   <source>Grebe's own abilities are not edited. Choose a box.</source>
   <translation>Grebes eigene Fähigkeiten werden nicht bearbeitet. Wähl ein Gerät.</translation>
  </message>
  <message>
   <location filename="../../ui/stations/rig/abilities.py" />
   <source>This box</source>
   <translation>Dieses Gerät</translation>
  </message>
  <message>
   <location filename="../../ui/stations/rig/abilities.py" />
   <source>Remove a row</source>
   <translation>Eine Zeile entfernen</translation>
  </message>
  <message>
   <location filename="../../ui/stations/rig/abilities.py" />
   <source>Row taken out. Ctrl+Z brings it back.</source>
   <translation>Zeile herausgenommen. Ctrl+Z bringt sie zurück.</translation>
  </message>
  <message>
   <location filename="../../ui/stations/rig/canvas.py" />
   <source>Clock tree</source>
   <translation>Clock-Baum</translation>
  </message>
  <message>
   <location filename="../../ui/stations/rig/canvas.py" />
   <source>No boxes yet. {add_box} adds the first.</source>
   <translation>Noch keine Geräte. {add_box} fügt das erste hinzu.</translation>
  </message>
  <message>
   <location filename="../../ui/stations/rig/controls.py" />
   <source>{learn_press} learns a press on any box that is heard, {learn_key} a computer key, {forget_press} forgets.</source>
   <translation>{learn_press} lernt einen Druck auf jedem Gerät, das gehört wird, {learn_key} eine Computertaste, {forget_press} vergisst.</translation>
  </message>
  <message>
   <location filename="../../ui/stations/rig/controls.py" />
   <source>Heard: {names}.</source>
   <translation>Gehört: {names}.</translation>
  </message>
  <message>
   <location filename="../../ui/stations/rig/controls.py" />
   <source>No box is heard yet: set Heard at, on its sheet.</source>
   <translation>Noch wird kein Gerät gehört: stell auf seinem Blatt „Gehört an“ ein.</translation>
  </message>
  <message>
   <location filename="../../ui/stations/rig/controls.py" />
   <source>Press</source>
   <translation>Druck</translation>
  </message>
  <message>
   <location filename="../../ui/stations/rig/controls.py" />
   <source>Computer key</source>
   <translation>Computertaste</translation>
  </message>
  <message>
   <location filename="../../ui/stations/rig/controls.py" />
   <source>The engine is not there yet: nothing is heard.</source>
   <translation>Die Engine ist noch nicht da: nichts wird gehört.</translation>
  </message>
  <message>
   <location filename="../../ui/stations/rig/controls.py" />
   <source>{printed} is taken: {title}.</source>
   <translation>{printed} ist vergeben: {title}.</translation>
  </message>
  <message>
   <location filename="../../ui/stations/rig/controls.py" />
   <source>Press what is to do it: {title}. L gives up.</source>
   <translation>Drück, was es tun soll: {title}. L gibt auf.</translation>
  </message>
  <message>
   <location filename="../../ui/stations/rig/controls.py" />
   <source>Press the key that is to do it: {title}. Esc gives up.</source>
   <translation>Drück die Taste, die es tun soll: {title}. Esc gibt auf.</translation>
  </message>
  <message>
   <location filename="../../ui/stations/rig/device.py" />
   <source>The project</source>
   <translation>Das Projekt</translation>
  </message>
  <message>
   <location filename="../../ui/stations/rig/device.py" />
   <source>The box</source>
   <translation>Das Gerät</translation>
  </message>
  <message>
   <location filename="../../ui/stations/rig/device.py" />
   <source>Reached at</source>
   <translation>Erreicht an</translation>
  </message>
  <message>
   <location filename="../../ui/stations/rig/device.py" />
   <source>Heard at</source>
   <translation>Gehört an</translation>
  </message>
  <message>
   <location filename="../../ui/stations/rig/device.py" />
   <source>Accepts</source>
   <translation>Nimmt an</translation>
  </message>
  <message>
   <location filename="../../ui/stations/rig/device.py" />
   <source>Passes on</source>
   <translation>Gibt weiter</translation>
  </message>
  <message>
   <location filename="../../ui/stations/rig/facts.py" />
   <source>follows {box}</source>
   <translation>folgt {box}</translation>
  </message>
  <message>
   <location filename="../../ui/stations/rig/facts.py" />
   <source>{words}, up to {longest}</source>
   <translation>{words}, bis zu {longest}</translation>
  </message>
  <message>
   <location filename="../../ui/stations/rig/facts.py" />
   <source>{add_box} adds a box, {add_cable} runs a cable from it.</source>
   <translation>{add_box} fügt ein Gerät hinzu, {add_cable} legt ein Kabel von ihm.</translation>
  </message>
  <message>
   <location filename="../../ui/stations/rig/facts.py" />
   <source>{box} leads</source>
   <translation>{box} führt</translation>
  </message>
  <message>
   <location filename="../../ui/stations/rig/facts.py" />
   <source>Nobody leads</source>
   <translation>Niemand führt</translation>
  </message>
  <message>
   <location filename="../../ui/stations/rig/facts.py" />
   <source>{boxes}. {leads}; all lock.</source>
   <translation>{boxes}. {leads}; alle hängen daran.</translation>
  </message>
  <message>
   <location filename="../../ui/stations/rig/facts.py" />
   <source> Longest way to a beat: {late:.1f} ms, to {box}.</source>
   <translation> Längster Weg zu einem Schlag: {late:.1f} ms, zu {box}.</translation>
  </message>
  <message>
   <location filename="../../ui/stations/rig/facts.py" />
   <source>sends 24 a quarter</source>
   <translation>sendet 24 je Viertel</translation>
  </message>
  <message>
   <location filename="../../ui/stations/rig/facts.py" />
   <source>sends none</source>
   <translation>sendet keinen</translation>
  </message>
  <message>
   <location filename="../../ui/stations/rig/facts.py" />
   <source>sends what it follows, made steady</source>
   <translation>sendet, dem es folgt, geglättet</translation>
  </message>
  <message>
   <location filename="../../ui/stations/rig/facts.py" />
   <source>only shown</source>
   <translation>nur gezeigt</translation>
  </message>
  <message>
   <location filename="../../ui/stations/rig/facts.py" />
   <source>on its own</source>
   <translation>für sich</translation>
  </message>
  <message>
   <location filename="../../ui/stations/rig/facts.py" />
   <source>obeys {rate_text} a quarter</source>
   <translation>gehorcht {rate_text} je Viertel</translation>
  </message>
  <message>
   <location filename="../../ui/stations/rig/facts.py" />
   <source>{obeys}, sends its own</source>
   <translation>{obeys}, sendet eigene</translation>
  </message>
  <message>
   <location filename="../../ui/stations/rig/facts.py" />
   <source>{obeys}, sends none</source>
   <translation>{obeys}, sendet keine</translation>
  </message>
  <message>
   <location filename="../../ui/stations/rig/facts.py" />
   <source>at its pattern end</source>
   <translation>am Patternende</translation>
  </message>
  <message>
   <location filename="../../ui/stations/rig/facts.py" />
   <source>at the bar</source>
   <translation>am Takt</translation>
  </message>
  <message>
   <location filename="../../ui/stations/rig/facts.py" />
   <source>any order</source>
   <translation>jede Ordnung</translation>
  </message>
  <message>
   <location filename="../../ui/stations/rig/facts.py" />
   <source>neighbours in groups of {group}</source>
   <translation>Nachbarn in Gruppen zu {group}</translation>
  </message>
  <message>
   <location filename="../../ui/stations/rig/facts.py" />
   <source>first to last</source>
   <translation>der erste bis zum letzten</translation>
  </message>
  <message>
   <location filename="../../ui/stations/rig/facts.py" />
   <source>{boxes}. {leads}; all but {names} lock.</source>
   <translation>{boxes}. {leads}; alle außer {names} hängen daran.</translation>
  </message>
  <message>
   <location filename="../../ui/stations/rig/facts.py" />
   <source>{boxes}. {leads}; none locks.</source>
   <translation>{boxes}. {leads}; keines hängt daran.</translation>
  </message>
  <message>
   <location filename="../../ui/stations/rig/facts.py" />
   <source>Follows</source>
   <translation>Folgt</translation>
  </message>
  <message>
   <location filename="../../ui/stations/rig/facts.py" />
   <source>What it weighs</source>
   <translation>Was es wiegt</translation>
  </message>
  <message>
   <location filename="../../ui/stations/rig/facts.py" />
   <source>Wire</source>
   <translation>Leitung</translation>
  </message>
  <message>
   <location filename="../../ui/stations/rig/facts.py" />
   <source>Start, stop</source>
   <translation>Start, Stopp</translation>
  </message>
  <message>
   <location filename="../../ui/stations/rig/facts.py" />
   <source>obeys</source>
   <translation>gehorcht</translation>
  </message>
  <message>
   <location filename="../../ui/stations/rig/facts.py" />
   <source>ignores</source>
   <translation>übergeht</translation>
  </message>
  <message>
   <location filename="../../ui/stations/rig/facts.py" />
   <source>obeys, {change}</source>
   <translation>gehorcht, {change}</translation>
  </message>
  <message>
   <location filename="../../ui/stations/rig/facts.py" />
   <source>, to {steps}</source>
   <translation>, bis {steps}</translation>
  </message>
  <message>
   <location filename="../../ui/stations/rig/facts.py" />
   <source>Over the network</source>
   <translation>Über das Netz</translation>
  </message>
  <message>
   <location filename="../../ui/stations/rig/facts.py" />
   <source>at the box</source>
   <translation>am Gerät</translation>
  </message>
  <message>
   <location filename="../../ui/stations/rig/facts.py" />
   <source>as sent</source>
   <translation>wie gesendet</translation>
  </message>
  <message>
   <location filename="../../ui/stations/rig/facts.py" />
   <source>It predicts where the leader will be: following adds no delay.</source>
   <translation>Es sagt voraus, wo der Führende sein wird: Folgen fügt keine Verzögerung hinzu.</translation>
  </message>
  <message>
   <location filename="../../ui/stations/rig/facts.py" />
   <source>Engine</source>
   <translation>Engine</translation>
  </message>
  <message>
   <location filename="../../ui/stations/rig/facts.py" />
   <source>not connected</source>
   <translation>nicht verbunden</translation>
  </message>
  <message>
   <location filename="../../ui/stations/rig/facts.py" />
   <source>lost time {times}</source>
   <translation>{times} Zeit verloren</translation>
  </message>
  <message>
   <location filename="../../ui/stations/rig/facts.py" />
   <source>Boxes that may have lost a tick there were put right on the bar after.</source>
   <translation>Geräte, die dort einen Tick verloren haben können, wurden im Takt danach gerichtet.</translation>
  </message>
  <message>
   <location filename="../../ui/stations/rig/facts.py" />
   <source>note by note, by Grebe</source>
   <translation>Note für Note, von Grebe</translation>
  </message>
  <message>
   <location filename="../../ui/stations/rig/facts.py" />
   <source>Position</source>
   <translation>Position</translation>
  </message>
  <message>
   <location filename="../../ui/stations/rig/facts.py" />
   <source>ignores: always from the top</source>
   <translation>übergeht: immer von vorn</translation>
  </message>
  <message>
   <location filename="../../ui/stations/rig/facts.py" />
   <source>Printed</source>
   <translation>Aufgedruckt</translation>
  </message>
  <message>
   <location filename="../../ui/stations/rig/facts.py" />
   <source>0 is {printed_program}</source>
   <translation>0 ist {printed_program}</translation>
  </message>
  <message>
   <location filename="../../ui/stations/rig/facts.py" />
   <source>{count} levels, {swing:g} to {swing2:g} %</source>
   <translation>{count} Stufen, {swing:g} bis {swing2:g} %</translation>
  </message>
  <message>
   <location filename="../../ui/stations/rig/facts.py" />
   <source>{echo_ms:g} to {echo_ms2:g} ms</source>
   <translation>{echo_ms:g} bis {echo_ms2:g} ms</translation>
  </message>
  <message>
   <location filename="../../ui/stations/rig/facts.py" />
   <source>Latency</source>
   <translation>Latenz</translation>
  </message>
  <message>
   <location filename="../../ui/stations/rig/facts.py" />
   <source>{latency_ms:g} ms</source>
   <translation>{latency_ms:g} ms</translation>
  </message>
  <message>
   <location filename="../../ui/stations/rig/facts.py" />
   <source>By hand</source>
   <translation>Von Hand</translation>
  </message>
  <message>
   <location filename="../../ui/stations/rig/facts.py" />
   <source>By foot</source>
   <translation>Mit dem Fuß</translation>
  </message>
  <message>
   <location filename="../../ui/stations/rig/facts.py" />
   <source>packet</source>
   <translation>Paket</translation>
  </message>
  <message>
   <location filename="../../ui/stations/rig/facts.py" />
   <source>packets</source>
   <translation>Pakete</translation>
  </message>
  <message>
   <location filename="../../ui/stations/rig/facts.py" />
   <source>Received</source>
   <translation>Empfangen</translation>
  </message>
  <message>
   <location filename="../../ui/stations/rig/facts.py" />
   <source>Lost</source>
   <translation>Verloren</translation>
  </message>
  <message>
   <location filename="../../ui/stations/rig/facts.py" />
   <source>Made up for</source>
   <translation>Ausgeglichen</translation>
  </message>
  <message>
   <location filename="../../ui/stations/rig/facts.py" />
   <source>Pulses</source>
   <translation>Pulse</translation>
  </message>
  <message>
   <location filename="../../ui/stations/rig/facts.py" />
   <source>output gone</source>
   <translation>Ausgang fort</translation>
  </message>
  <message>
   <location filename="../../ui/stations/rig/facts.py" />
   <source>Port</source>
   <translation>Port</translation>
  </message>
  <message>
   <location filename="../../ui/stations/rig/facts.py" />
   <source>gone</source>
   <translation>weg</translation>
  </message>
  <message>
   <location filename="../../ui/stations/rig/facts.py" />
   <source>Beats</source>
   <translation>Schläge</translation>
  </message>
  <message>
   <location filename="../../ui/stations/rig/facts.py" />
   <source>Waver</source>
   <translation>Schwanken</translation>
  </message>
  <message>
   <location filename="../../ui/stations/rig/facts.py" />
   <source>{spread_ms:.1f} ms</source>
   <translation>{spread_ms:.1f} ms</translation>
  </message>
  <message>
   <location filename="../../ui/stations/rig/facts.py" />
   <source>Priority</source>
   <translation>Priorität</translation>
  </message>
  <message>
   <location filename="../../ui/stations/rig/facts.py" />
   <source>controller {number}</source>
   <translation>Controller {number}</translation>
  </message>
  <message>
   <location filename="../../ui/stations/rig/facts.py" />
   <source>{pulses} sent</source>
   <translation>{pulses} gesendet</translation>
  </message>
  <message>
   <location filename="../../ui/stations/rig/facts.py" />
   <source>Ticks</source>
   <translation>Ticks</translation>
  </message>
  <message>
   <location filename="../../ui/stations/rig/facts.py" />
   <source>{received} of {sent}</source>
   <translation>{received} von {sent}</translation>
  </message>
  <message>
   <location filename="../../ui/stations/rig/facts.py" />
   <source>{sent} sent</source>
   <translation>{sent} gesendet</translation>
  </message>
  <message>
   <location filename="../../ui/stations/rig/facts.py" />
   <source>Not reached by a port of its own.</source>
   <translation>Nicht über einen eigenen Port erreicht.</translation>
  </message>
  <message>
   <location filename="../../ui/stations/rig/facts.py" />
   <source>Nothing sent yet.</source>
   <translation>Noch nichts gesendet.</translation>
  </message>
  <message>
   <location filename="../../ui/stations/rig/gear.py" />
   <source>Notes on gear (*.json)</source>
   <translation>Notizen zu Geräten (*.json)</translation>
  </message>
  <message>
   <location filename="../../ui/stations/rig/gear.py" />
   <source>works</source>
   <translation>geht</translation>
  </message>
  <message>
   <location filename="../../ui/stations/rig/gear.py" />
   <source>fails</source>
   <translation>geht nicht</translation>
  </message>
  <message>
   <location filename="../../ui/stations/rig/gear.py" />
   <source>setting</source>
   <translation>Einstellung</translation>
  </message>
  <message>
   <location filename="../../ui/stations/rig/gear.py" />
   <source>quirk</source>
   <translation>Eigenheit</translation>
  </message>
  <message>
   <location filename="../../ui/stations/rig/gear.py" />
   <source>tried: works</source>
   <translation>versucht: geht</translation>
  </message>
  <message>
   <location filename="../../ui/stations/rig/gear.py" />
   <source>tried: fails</source>
   <translation>versucht: geht nicht</translation>
  </message>
  <message>
   <location filename="../../ui/stations/rig/gear.py" />
   <source>tried: unsure</source>
   <translation>versucht: unklar</translation>
  </message>
  <message>
   <location filename="../../ui/stations/rig/gear.py" />
   <source>What you know of this gear</source>
   <translation>Was du über diese Geräte weißt</translation>
  </message>
  <message>
   <location filename="../../ui/stations/rig/gear.py" />
   <source>What kind of note</source>
   <translation>Welche Art Notiz</translation>
  </message>
  <message>
   <location filename="../../ui/stations/rig/gear.py" />
   <source>With what</source>
   <translation>Womit</translation>
  </message>
  <message>
   <location filename="../../ui/stations/rig/gear.py" />
   <source>What you found out</source>
   <translation>Was du herausgefunden hast</translation>
  </message>
  <message>
   <location filename="../../ui/stations/rig/gear.py" />
   <source>its version</source>
   <translation>seine Version</translation>
  </message>
  <message>
   <location filename="../../ui/stations/rig/gear.py" />
   <source>Write it down</source>
   <translation>Notieren</translation>
  </message>
  <message>
   <location filename="../../ui/stations/rig/gear.py" />
   <source>Of {name}, and of the rest of this rig.</source>
   <translation>Zu {name} und dem Rest dieses Rigs.</translation>
  </message>
  <message>
   <location filename="../../ui/stations/rig/gear.py" />
   <source>Of this rig. Choose a box to write something down.</source>
   <translation>Zu diesem Rig. Wähle ein Gerät, um etwas zu notieren.</translation>
  </message>
  <message>
   <location filename="../../ui/stations/rig/gear.py" />
   <source>Taken out. Bring back the last note, in the menu, undoes it.</source>
   <translation>Herausgenommen. Die letzte Notiz zurückholen, im Menü, macht es rückgängig.</translation>
  </message>
  <message>
   <location filename="../../ui/stations/rig/gear.py" />
   <source>Write what you know of gear</source>
   <translation>Schreiben, was du über Geräte weißt</translation>
  </message>
  <message>
   <location filename="../../ui/stations/rig/gear.py" />
   <source>Read what somebody knows of gear</source>
   <translation>Lesen, was jemand über Geräte weiß</translation>
  </message>
  <message>
   <location filename="../../ui/stations/rig/gear.py" />
   <source>it alone</source>
   <translation>es allein</translation>
  </message>
  <message>
   <location filename="../../ui/stations/rig/gear.py" />
   <source>Nothing yet. What works, what fails, a setting, a version, a quirk: write it down once, and it is found in every rig with this gear.</source>
   <translation>Noch nichts. Was geht, was nicht geht, eine Einstellung, eine Version, eine Eigenheit: einmal notiert, wird es in jedem Rig mit diesem Gerät gefunden.</translation>
  </message>
  <message>
   <location filename="../../ui/stations/rig/gear.py" />
   <source>Choose a box, and type what you found out.</source>
   <translation>Wähle ein Gerät und tipp ein, was du herausgefunden hast.</translation>
  </message>
  <message>
   <location filename="../../ui/stations/rig/gear.py" />
   <source>Choose a note in the list first.</source>
   <translation>Wähle zuerst eine Notiz in der Liste.</translation>
  </message>
  <message>
   <location filename="../../ui/stations/rig/gear.py" />
   <source>Wrote {what}.</source>
   <translation>{what} geschrieben.</translation>
  </message>
  <message>
   <location filename="../../ui/stations/rig/gear.py" />
   <source>Read {what}.</source>
   <translation>{what} gelesen.</translation>
  </message>
  <message>
   <location filename="../../ui/stations/rig/gear.py" />
   <source>That is too long for a note: 600 letters at most.</source>
   <translation>Das ist zu lang für eine Notiz: höchstens 600 Buchstaben.</translation>
  </message>
  <message>
   <location filename="../../ui/stations/rig/notes.py" />
   <source>{source} to {target}{more}</source>
   <translation>{source} zu {target}{more}</translation>
  </message>
  <message>
   <location filename="../../ui/stations/rig/notes.py" />
   <source>M: as they come, by position, by table.  Arrows choose a pad, + and - its note.</source>
   <translation>M: wie sie kommen, nach Lage, nach Tabelle.  Pfeile wählen ein Pad, + und - seine Note.</translation>
  </message>
  <message>
   <location filename="../../ui/stations/rig/notes.py" />
   <source>Notes pass as they come.</source>
   <translation>Noten gehen durch, wie sie kommen.</translation>
  </message>
  <message>
   <location filename="../../ui/stations/rig/notes.py" />
   <source>A table says what each becomes.</source>
   <translation>Eine Tabelle sagt, was aus jeder wird.</translation>
  </message>
  <message>
   <location filename="../../ui/stations/rig/notes.py" />
   <source> Then {transpose:+d} semitones.</source>
   <translation> Dann {transpose:+d} Halbtöne.</translation>
  </message>
  <message>
   <location filename="../../ui/stations/rig/notes.py" />
   <source>{target}'s voices:</source>
   <translation>Stimmen von {target}:</translation>
  </message>
  <message>
   <location filename="../../ui/stations/rig/notes.py" />
   <source>No pads to lay side by side.</source>
   <translation>Keine Pads, um sie nebeneinanderzulegen.</translation>
  </message>
  <message>
   <location filename="../../ui/stations/rig/notes.py" />
   <source>Note maps</source>
   <translation>Notentabellen</translation>
  </message>
  <message>
   <location filename="../../ui/stations/rig/notes.py" />
   <source>pad {pad}</source>
   <translation>Pad {pad}</translation>
  </message>
  <message>
   <location filename="../../ui/stations/rig/notes.py" />
   <source>Note of a pad</source>
   <translation>Note eines Pads</translation>
  </message>
  <message>
   <location filename="../../ui/stations/rig/notes.py" />
   <source>No routes yet. Run a cable from a controller to Grebe: its route begins there.</source>
   <translation>Noch keine Routen. Leg ein Kabel von einem Controller zu Grebe: dort beginnt seine Route.</translation>
  </message>
  <message>
   <location filename="../../ui/stations/rig/notes.py" />
   <source>   {value} of {count}, Page down for the next</source>
   <translation>   {value} von {count}, Bild ab zur nächsten</translation>
  </message>
  <message>
   <location filename="../../ui/stations/rig/notes.py" />
   <source>from the bottom left</source>
   <translation>von links unten</translation>
  </message>
  <message>
   <location filename="../../ui/stations/rig/notes.py" />
   <source>from the top left</source>
   <translation>von links oben</translation>
  </message>
  <message>
   <location filename="../../ui/stations/rig/notes.py" />
   <source>counts {way}</source>
   <translation>zählt {way}</translation>
  </message>
  <message>
   <location filename="../../ui/stations/rig/notes.py" />
   <source>By where the pads lie: one transposition of {offset:+d} does it.</source>
   <translation>Nach der Lage der Pads: eine Transposition um {offset:+d} genügt.</translation>
  </message>
  <message>
   <location filename="../../ui/stations/rig/notes.py" />
   <source>Becomes</source>
   <translation>Wird zu</translation>
  </message>
  <message>
   <location filename="../../ui/stations/rig/notes.py" />
   <source>How notes go</source>
   <translation>Wie Noten gehen</translation>
  </message>
  <message>
   <location filename="../../ui/stations/rig/notes.py" />
   <source>By where the pads lie: no one transposition does it, so each has its own.</source>
   <translation>Nach der Lage der Pads: keine einzelne Transposition genügt, also hat jedes seine eigene.</translation>
  </message>
  <message>
   <location filename="../../ui/stations/rig/notes.py" />
   <source> The pads do not lie on the same notes.</source>
   <translation> Die Pads liegen nicht auf denselben Noten.</translation>
  </message>
  <message>
   <location filename="../../ui/stations/rig/pages.py" />
   <source>drum, looper, pulse…</source>
   <translation>Drum, Looper, Puls…</translation>
  </message>
  <message>
   <location filename="../../ui/stations/rig/pages.py" />
   <source>Profiles</source>
   <translation>Profile</translation>
  </message>
  <message>
   <location filename="../../ui/stations/rig/pages.py" />
   <source>its name</source>
   <translation>sein Name</translation>
  </message>
  <message>
   <location filename="../../ui/stations/rig/pages.py" />
   <source>Add it</source>
   <translation>Hinzufügen</translation>
  </message>
  <message>
   <location filename="../../ui/stations/rig/pages.py" />
   <source>It is not in the list</source>
   <translation>Es ist nicht in der Liste</translation>
  </message>
  <message>
   <location filename="../../ui/stations/rig/pages.py" />
   <source>Its notes play the box there</source>
   <translation>Seine Noten spielen das Gerät dort</translation>
  </message>
  <message>
   <location filename="../../ui/stations/rig/pages.py" />
   <source>Plug it in</source>
   <translation>Anstecken</translation>
  </message>
  <message>
   <location filename="../../ui/stations/rig/pages.py" />
   <source>Remove it</source>
   <translation>Entfernen</translation>
  </message>
  <message>
   <location filename="../../ui/stations/rig/pages.py" />
   <source>Nothing like that.</source>
   <translation>Nichts dergleichen.</translation>
  </message>
  <message>
   <location filename="../../ui/stations/rig/pages.py" />
   <source>Its output</source>
   <translation>Sein Ausgang</translation>
  </message>
  <message>
   <location filename="../../ui/stations/rig/pages.py" />
   <source>Its input</source>
   <translation>Sein Eingang</translation>
  </message>
  <message>
   <location filename="../../ui/stations/rig/pages.py" />
   <source>Remove {name}?</source>
   <translation>{name} entfernen?</translation>
  </message>
  <message>
   <location filename="../../ui/stations/rig/pages.py" />
   <source>What uses it:</source>
   <translation>Was es benutzt:</translation>
  </message>
  <message>
   <location filename="../../ui/stations/rig/pages.py" />
   <source>Type what it is, choose, name it.</source>
   <translation>Tipp, was es ist, wähl, benenn es.</translation>
  </message>
  <message>
   <location filename="../../ui/stations/rig/pages.py" />
   <source>Jacks: {value}.</source>
   <translation>Buchsen: {value}.</translation>
  </message>
  <message>
   <location filename="../../ui/stations/rig/pages.py" />
   <source>Run a cable</source>
   <translation>Ein Kabel legen</translation>
  </message>
  <message>
   <location filename="../../ui/stations/rig/pages.py" />
   <source>Jacks that fit are proposed; others can be plugged too.</source>
   <translation>Buchsen, die passen, sind vorgeschlagen; andere gehen auch.</translation>
  </message>
  <message>
   <location filename="../../ui/stations/rig/pages.py" />
   <source>Nothing uses it.</source>
   <translation>Nichts benutzt es.</translation>
  </message>
  <message>
   <location filename="../../ui/stations/rig/pages.py" />
   <source>Patterns stay in the project. Ctrl+Z brings it back.</source>
   <translation>Patterns bleiben im Projekt. Ctrl+Z bringt es zurück.</translation>
  </message>
  <message>
   <location filename="../../ui/stations/rig/pages.py" />
   <source>not known</source>
   <translation>nicht bekannt</translation>
  </message>
  <message>
   <location filename="../../ui/stations/rig/painted.py" />
   <source>this program</source>
   <translation>dieses Programm</translation>
  </message>
  <message>
   <location filename="../../ui/stations/rig/painted.py" />
   <source>{signed} ms, {lost_percent:.0f} % lost</source>
   <translation>{signed} ms, {lost_percent:.0f} % verloren</translation>
  </message>
  <message>
   <location filename="../../ui/stations/rig/painted.py" />
   <source>port gone</source>
   <translation>Port fort</translation>
  </message>
  <message>
   <location filename="../../ui/stations/rig/panes.py" />
   <source>Three notes to {name}, and pulses where it has a line.</source>
   <translation>Drei Noten an {name}, und Pulse, wo es eine Leitung hat.</translation>
  </message>
  <message>
   <location filename="../../ui/stations/rig/ports.py" />
   <source>nowhere</source>
   <translation>nirgends</translation>
  </message>
  <message>
   <location filename="../../ui/stations/rig/ports.py" />
   <source>stand-in</source>
   <translation>Stellvertreter</translation>
  </message>
  <message>
   <location filename="../../ui/stations/rig/ports.py" />
   <source>JACK, patched by hand</source>
   <translation>JACK, von Hand verbunden</translation>
  </message>
  <message>
   <location filename="../../ui/stations/rig/ports.py" />
   <source>in the session</source>
   <translation>in der Sitzung</translation>
  </message>
  <message>
   <location filename="../../ui/stations/rig/ports.py" />
   <source>network session with {host}</source>
   <translation>Netz-Session mit {host}</translation>
  </message>
  <message>
   <location filename="../../ui/stations/rig/ports.py" />
   <source>{words}: channel</source>
   <translation>{words}: Kanal</translation>
  </message>
  <message>
   <location filename="../../ui/stations/rig/ports.py" />
   <source>network, look for sessions</source>
   <translation>Netz, nach Sessions suchen</translation>
  </message>
  <message>
   <location filename="../../ui/stations/rig/ports.py" />
   <source>network: {port}</source>
   <translation>Netz: {port}</translation>
  </message>
  <message>
   <location filename="../../ui/stations/rig/ports.py" />
   <source>network, typed</source>
   <translation>Netz, getippt</translation>
  </message>
  <message>
   <location filename="../../ui/stations/rig/ports.py" />
   <source>port, as 5004</source>
   <translation>Port, wie 5004</translation>
  </message>
  <message>
   <location filename="../../ui/stations/rig/ports.py" />
   <source>host:port, or session host:port</source>
   <translation>host:port, oder session host:port</translation>
  </message>
  <message>
   <location filename="../../ui/stations/rig/ports.py" />
   <source>network session, waits to be invited</source>
   <translation>Netz-Session, wartet auf Einladung</translation>
  </message>
  <message>
   <location filename="../../ui/stations/rig/ports.py" />
   <source>JACK is {server} here.</source>
   <translation>JACK ist hier {server}.</translation>
  </message>
  <message>
   <location filename="../../ui/stations/rig/profile_side.py" />
   <source>Controllers from a chart</source>
   <translation>Controller aus einer Tabelle</translation>
  </message>
  <message>
   <location filename="../../ui/stations/rig/profile_side.py" />
   <source>Voices from a chart</source>
   <translation>Stimmen aus einer Tabelle</translation>
  </message>
  <message>
   <location filename="../../ui/stations/rig/profile_side.py" />
   <source>{device} has {count} {part} from the chart.</source>
   <translation>{device} hat {count} {part} aus der Tabelle.</translation>
  </message>
  <message>
   <location filename="../../ui/stations/rig/profile_side.py" />
   <source>Nothing of it is guessed</source>
   <translation>Nichts davon ist geraten</translation>
  </message>
  <message>
   <location filename="../../ui/stations/rig/profile_side.py" />
   <source>Read a profile</source>
   <translation>Ein Profil lesen</translation>
  </message>
  <message>
   <location filename="../../ui/stations/rig/profile_side.py" />
   <source>{profile} is a profile of yours now.</source>
   <translation>{profile} ist jetzt ein Profil von dir.</translation>
  </message>
  <message>
   <location filename="../../ui/stations/rig/profile_side.py" />
   <source>Write its profile</source>
   <translation>Sein Profil schreiben</translation>
  </message>
  <message>
   <location filename="../../ui/stations/rig/profile_side.py" />
   <source>The profile of {words} was improved since the box was made from it.</source>
   <translation>Das Profil von {words} wurde verbessert, seit das Gerät daraus gemacht ist.</translation>
  </message>
  <message>
   <location filename="../../ui/stations/rig/profile_side.py" />
   <source>{profile} is in the rig, and a profile: {path}.</source>
   <translation>{profile} ist im Rig, und ein Profil: {path}.</translation>
  </message>
  <message>
   <location filename="../../ui/stations/rig/profile_side.py" />
   <source>the profile it was made from is not here</source>
   <translation>das Profil, aus dem es gemacht ist, ist nicht hier</translation>
  </message>
  <message>
   <location filename="../../ui/stations/rig/profile_side.py" />
   <source>{device} as its profile has it</source>
   <translation>{device}, wie sein Profil es hat</translation>
  </message>
  <message>
   <location filename="../../ui/stations/rig/profile_side.py" />
   <source>nothing of it is guessed</source>
   <translation>nichts davon ist geraten</translation>
  </message>
  <message>
   <location filename="../../ui/stations/rig/profile_side.py" />
   <source>⚠ Guessed: {words}. Look it up, then say so.</source>
   <translation>⚠ Geraten: {words}. Schlag es nach, dann sag es.</translation>
  </message>
  <message>
   <location filename="../../ui/stations/rig/profile_side.py" />
   <source>Its profile was improved since it was made from it.</source>
   <translation>Sein Profil wurde verbessert, seit es daraus gemacht ist.</translation>
  </message>
  <message>
   <location filename="../../ui/stations/rig/profile_side.py" />
   <source>{profile} is in the rig, but is no profile yet: {error}</source>
   <translation>{profile} ist im Rig, aber noch kein Profil: {error}</translation>
  </message>
  <message>
   <location filename="../../ui/stations/rig/pulse.py" />
   <source>Pulse width, such as 5 ms or 50 %</source>
   <translation>Pulsbreite, wie 5 ms oder 50 %</translation>
  </message>
  <message>
   <location filename="../../ui/stations/rig/pulse.py" />
   <source>Pulse polarity</source>
   <translation>Pulspolarität</translation>
  </message>
  <message>
   <location filename="../../ui/stations/rig/pulse.py" />
   <source>Pulse level, per cent of full scale</source>
   <translation>Pulspegel, Prozent vom Vollausschlag</translation>
  </message>
  <message>
   <location filename="../../ui/stations/rig/pulse.py" />
   <source>Width</source>
   <translation>Breite</translation>
  </message>
  <message>
   <location filename="../../ui/stations/rig/pulse.py" />
   <source>Level</source>
   <translation>Pegel</translation>
  </message>
  <message>
   <location filename="../../ui/stations/rig/setup.py" />
   <source>Set-up sheet of</source>
   <translation>Einrichtblatt von</translation>
  </message>
  <message>
   <location filename="../../ui/stations/rig/setup.py" />
   <source>Set-up sheet</source>
   <translation>Aufbaublatt</translation>
  </message>
  <message>
   <location filename="../../ui/stations/rig/setup.py" />
   <source>The whole rig</source>
   <translation>Das ganze Rig</translation>
  </message>
  <message>
   <location filename="../../ui/stations/rig/shown.py" />
   <source>{who}, ch {channel}</source>
   <translation>{who}, K {channel}</translation>
  </message>
  <message>
   <location filename="../../ui/stations/rig/shown.py" />
   <source>no clock of its own</source>
   <translation>keine eigene Clock</translation>
  </message>
  <message>
   <location filename="../../ui/stations/rig/shown.py" />
   <source>{source} to {target}: {cable}</source>
   <translation>{source} zu {target}: {cable}</translation>
  </message>
  <message>
   <location filename="../../ui/stations/rig/shown.py" />
   <source>leads</source>
   <translation>führt</translation>
  </message>
  <message>
   <location filename="../../ui/stations/rig/shown.py" />
   <source>passes on</source>
   <translation>reicht weiter</translation>
  </message>
  <message>
   <location filename="../../ui/stations/rig/shown.py" />
   <source>runs on its own</source>
   <translation>läuft für sich</translation>
  </message>
  <message>
   <location filename="../../ui/stations/rig/shown.py" />
   <source>follows</source>
   <translation>folgt</translation>
  </message>
  <message>
   <location filename="../../ui/stations/rig/shown.py" />
   <source>plays its own</source>
   <translation>spielt sein Eigenes</translation>
  </message>
  <message>
   <location filename="../../ui/stations/rig/shown.py" />
   <source>{who}, {tracks}</source>
   <translation>{who}, {tracks}</translation>
  </message>
  <message>
   <location filename="../../ui/stations/rig/shown.py" />
   <source>leads, 24 a quarter</source>
   <translation>führt, 24 je Viertel</translation>
  </message>
  <message>
   <location filename="../../ui/stations/rig/shown.py" />
   <source>follows {follows}</source>
   <translation>folgt {follows}</translation>
  </message>
  <message>
   <location filename="../../ui/stations/rig/shown.py" />
   <source>from {source} to …</source>
   <translation>von {source} zu …</translation>
  </message>
  <message>
   <location filename="../../ui/stations/rig/shown.py" />
   <source>{source} to {target}</source>
   <translation>{source} zu {target}</translation>
  </message>
  <message>
   <location filename="../../ui/stations/rig/shown.py" />
   <source>passes {what}</source>
   <translation>lässt durch: {what}</translation>
  </message>
  <message>
   <location filename="../../ui/stations/rig/shown.py" />
   <source>plays it</source>
   <translation>spielt es</translation>
  </message>
  <message>
   <location filename="../../ui/stations/rig/shown.py" />
   <source>second clock</source>
   <translation>zweite Clock</translation>
  </message>
  <message>
   <location filename="../../ui/stations/rig/shown.py" />
   <source>no clock</source>
   <translation>keine Clock</translation>
  </message>
  <message>
   <location filename="../../ui/stations/rig/shown.py" />
   <source>plays in, ch {channel}</source>
   <translation>spielt ein, K {channel}</translation>
  </message>
  <message>
   <location filename="../../ui/stations/rig/shown.py" />
   <source>no clock reaches it</source>
   <translation>keine Clock erreicht es</translation>
  </message>
  <message>
   <location filename="../../ui/stations/rig/shown.py" />
   <source>clock of {rate} a quarter, {late:.2f} ms after the leader</source>
   <translation>Clock mit {rate} je Viertel, {late:.2f} ms nach dem Führenden</translation>
  </message>
  <message>
   <location filename="../../ui/stations/rig/shown.py" />
   <source>{words}, plays it</source>
   <translation>{words}, spielt es</translation>
  </message>
  <message>
   <location filename="../../ui/stations/rig/shown.py" />
   <source>listens</source>
   <translation>hört</translation>
  </message>
  <message>
   <location filename="../../ui/stations/rig/shown.py" />
   <source>a second clock</source>
   <translation>eine zweite Clock</translation>
  </message>
  <message>
   <location filename="../../ui/stations/rig/side.py" />
   <source>Pulse</source>
   <translation>Puls</translation>
  </message>
  <message>
   <location filename="../../ui/stations/rig/tables.py" />
   <source>{column_title} of {what} {value}</source>
   <translation>{column_title} von {what} {value}</translation>
  </message>
  <message>
   <location filename="../../ui/stations/rig/tables.py" />
   <source>Routes through Grebe: what one box plays, another sounds</source>
   <translation>Routen durch Grebe: was ein Gerät spielt, klingt auf einem anderen</translation>
  </message>
  <message>
   <location filename="../../ui/stations/rig/unknown.py" />
   <source>middle C as its chart shows</source>
   <translation>mittleres C, wie die Tabelle es zeigt</translation>
  </message>
  <message>
   <location filename="../../ui/stations/rig/unknown.py" />
   <source>middle C is C3</source>
   <translation>mittleres C ist C3</translation>
  </message>
  <message>
   <location filename="../../ui/stations/rig/unknown.py" />
   <source>middle C is C4</source>
   <translation>mittleres C ist C4</translation>
  </message>
  <message>
   <location filename="../../ui/stations/rig/unknown.py" />
   <source>middle C is C5</source>
   <translation>mittleres C ist C5</translation>
  </message>
  <message>
   <location filename="../../ui/stations/rig/unknown.py" />
   <source>{count} understood</source>
   <translation>{count} verstanden</translation>
  </message>
  <message>
   <location filename="../../ui/stations/rig/unknown.py" />
   <source>Its chart of voices: name and note</source>
   <translation>Seine Stimmentabelle: Name und Note</translation>
  </message>
  <message>
   <location filename="../../ui/stations/rig/unknown.py" />
   <source>Its chart of controllers: name and number</source>
   <translation>Seine Controllertabelle: Name und Nummer</translation>
  </message>
  <message>
   <location filename="../../ui/stations/rig/unknown.py" />
   <source>What the chart is of</source>
   <translation>Wovon die Tabelle ist</translation>
  </message>
  <message>
   <location filename="../../ui/stations/rig/unknown.py" />
   <source>of controllers</source>
   <translation>von Controllern</translation>
  </message>
  <message>
   <location filename="../../ui/stations/rig/unknown.py" />
   <source>of voices and their notes</source>
   <translation>von Stimmen und ihren Noten</translation>
  </message>
  <message>
   <location filename="../../ui/stations/rig/unknown.py" />
   <source>Where middle C is</source>
   <translation>Wo das mittlere C liegt</translation>
  </message>
  <message>
   <location filename="../../ui/stations/rig/unknown.py" />
   <source>The chart</source>
   <translation>Die Tabelle</translation>
  </message>
  <message>
   <location filename="../../ui/stations/rig/unknown.py" />
   <source>What is understood</source>
   <translation>Was verstanden ist</translation>
  </message>
  <message>
   <location filename="../../ui/stations/rig/unknown.py" />
   <source>Take these rows</source>
   <translation>Diese Zeilen nehmen</translation>
  </message>
  <message>
   <location filename="../../ui/stations/rig/unknown.py" />
   <source>What differs</source>
   <translation>Was anders ist</translation>
  </message>
  <message>
   <location filename="../../ui/stations/rig/unknown.py" />
   <source>Take what is ticked</source>
   <translation>Das Angehakte nehmen</translation>
  </message>
  <message>
   <location filename="../../ui/stations/rig/unknown.py" />
   <source>Leave it as it is</source>
   <translation>Lassen, wie es ist</translation>
  </message>
  <message>
   <location filename="../../ui/stations/rig/unknown.py" />
   <source>The profile is another since the box was made from it.</source>
   <translation>Das Profil ist ein anderes, seit das Gerät daraus gemacht ist.</translation>
  </message>
  <message>
   <location filename="../../ui/stations/rig/unknown.py" />
   <source>They say the same.</source>
   <translation>Sie sagen dasselbe.</translation>
  </message>
  <message>
   <location filename="../../ui/stations/rig/unknown.py" />
   <source>{c_number}   {c}   {low} to {high}</source>
   <translation>{c_number}   {c}   {low} bis {high}</translation>
  </message>
  <message>
   <location filename="../../ui/stations/rig/unknown.py" />
   <source>⚠ line {line}, {text_}: {why}</source>
   <translation>⚠ Zeile {line}, {text_}: {why}</translation>
  </message>
  <message>
   <location filename="../../ui/stations/rig/unknown.py" />
   <source>{words}, {count} marked.</source>
   <translation>{words}, {count} markiert.</translation>
  </message>
  <message>
   <location filename="../../ui/stations/rig/unknown.py" />
   <source>The profile is as it was when the box was made from it.</source>
   <translation>Das Profil ist, wie es war, als das Gerät daraus gemacht wurde.</translation>
  </message>
  <message>
   <location filename="../../ui/stations/rig/unknown.py" />
   <source>Nobody noted how the profile was when the box was made.</source>
   <translation>Niemand hat festgehalten, wie das Profil war, als das Gerät gemacht wurde.</translation>
  </message>
  <message>
   <location filename="../../ui/stations/rig/unknown.py" />
   <source>{row_words}: {value}, there {theirs}</source>
   <translation>{row_words}: {value}, dort {theirs}</translation>
  </message>
  <message>
   <location filename="../../ui/stations/rig/unknown.py" />
   <source>A box that is not in the list</source>
   <translation>Ein Gerät, das nicht in der Liste ist</translation>
  </message>
  <message>
   <location filename="../../ui/stations/rig/unknown.py" />
   <source>What you can see on it. Skip what you do not know: it is guessed, and marked.</source>
   <translation>Was du an ihm sehen kannst. Überspring, was du nicht weißt: es wird geraten, und markiert.</translation>
  </message>
  <message>
   <location filename="../../ui/stations/rig/unknown.py" />
   <source>Paste a chart</source>
   <translation>Eine Tabelle einfügen</translation>
  </message>
  <message>
   <location filename="../../ui/stations/rig/unknown.py" />
   <source>From its manual: a table, CSV, or text. Names of notes, hex, CC#52 and ranges are understood.</source>
   <translation>Aus seinem Handbuch: eine Tabelle, CSV, oder Text. Notennamen, Hex, CC#52 und Bereiche werden verstanden.</translation>
  </message>
  <message>
   <location filename="../../ui/stations/rig/unknown.py" />
   <source>{device} beside its profile</source>
   <translation>{device} neben seinem Profil</translation>
  </message>
  <message>
   <location filename="../../ui/stations/rig/view.py" />
   <source>Drawing</source>
   <translation>Zeichnung</translation>
  </message>
  <message>
   <location filename="../../ui/stations/rig/view.py" />
   <source>Tables</source>
   <translation>Tabellen</translation>
  </message>
  <message>
   <location filename="../../ui/stations/rig/view.py" />
   <source>Set-up</source>
   <translation>Einrichten</translation>
  </message>
  <message>
   <location filename="../../ui/stations/rig/view.py" />
   <source>Abilities</source>
   <translation>Fähigkeiten</translation>
  </message>
  <message>
   <location filename="../../ui/stations/rig/view.py" />
   <source>What if</source>
   <translation>Was wenn</translation>
  </message>
  <message>
   <location filename="../../ui/stations/rig/view.py" />
   <source>Notes##about gear</source>
   <translation>Notizen</translation>
  </message>
  <message>
   <location filename="../../ui/stations/rig/view.py" />
   <source>The rig</source>
   <translation>Das Rig</translation>
  </message>
  <message>
   <location filename="../../ui/stations/scenes/canvas.py" />
   <source>{device} in {scene}</source>
   <translation>{device} in {scene}</translation>
  </message>
  <message>
   <location filename="../../ui/stations/scenes/canvas.py" />
   <source>by Grebe</source>
   <translation>von Grebe</translation>
  </message>
  <message>
   <location filename="../../ui/stations/scenes/canvas.py" />
   <source>remote</source>
   <translation>fern</translation>
  </message>
  <message>
   <location filename="../../ui/stations/scenes/canvas.py" />
   <source>hand</source>
   <translation>Hand</translation>
  </message>
  <message>
   <location filename="../../ui/stations/scenes/canvas.py" />
   <source>{name} before {other}</source>
   <translation>{name} vor {other}</translation>
  </message>
  <message>
   <location filename="../../ui/stations/scenes/canvas.py" />
   <source>No scenes yet. {new_scene} makes one; what is in it is chosen with {one_after}.</source>
   <translation>Noch keine Szenen. {new_scene} macht eine; was darin ist, wird mit {one_after} gewählt.</translation>
  </message>
  <message>
   <location filename="../../ui/stations/scenes/canvas.py" />
   <source>Nothing plays in it yet. {add_box} in Rig adds a box.</source>
   <translation>Noch spielt nichts darin. {add_box} im Rig fügt ein Gerät hinzu.</translation>
  </message>
  <message>
   <location filename="../../ui/stations/scenes/canvas.py" />
   <source>{value} devices below</source>
   <translation>{value} Geräte darunter</translation>
  </message>
  <message>
   <location filename="../../ui/stations/scenes/canvas.py" />
   <source>, mutes left</source>
   <translation>, Mutes gelassen</translation>
  </message>
  <message>
   <location filename="../../ui/stations/scenes/canvas.py" />
   <source>Your hands</source>
   <translation>Deine Hände</translation>
  </message>
  <message>
   <location filename="../../ui/stations/scenes/canvas.py" />
   <source>moves in the bar before</source>
   <translation>Griffe im Takt davor</translation>
  </message>
  <message>
   <location filename="../../ui/stations/scenes/canvas.py" />
   <source>{name} to the end</source>
   <translation>{name} ans Ende</translation>
  </message>
  <message>
   <location filename="../../ui/stations/scenes/canvas.py" />
   <source>{device} as in {scene}</source>
   <translation>{device} wie in {scene}</translation>
  </message>
  <message>
   <location filename="../../ui/stations/scenes/canvas.py" />
   <source>tight</source>
   <translation>knapp</translation>
  </message>
  <message>
   <location filename="../../ui/stations/scenes/canvas.py" />
   <source> dotted</source>
   <translation> punktiert</translation>
  </message>
  <message>
   <location filename="../../ui/stations/scenes/canvas.py" />
   <source> triplet</source>
   <translation> triolisch</translation>
  </message>
  <message>
   <location filename="../../ui/stations/scenes/facts.py" />
   <source>from {opens:.1f} s before {until}</source>
   <translation>von {opens:.1f} s vor {until}</translation>
  </message>
  <message>
   <location filename="../../ui/stations/scenes/facts.py" />
   <source>left hand</source>
   <translation>linke Hand</translation>
  </message>
  <message>
   <location filename="../../ui/stations/scenes/facts.py" />
   <source>right hand</source>
   <translation>rechte Hand</translation>
  </message>
  <message>
   <location filename="../../ui/stations/scenes/facts.py" />
   <source>foot</source>
   <translation>Fuß</translation>
  </message>
  <message>
   <location filename="../../ui/stations/scenes/facts.py" />
   <source>other foot</source>
   <translation>anderer Fuß</translation>
  </message>
  <message>
   <location filename="../../ui/stations/scenes/facts.py" />
   <source>then to {get}, {often}</source>
   <translation>dann zu {get}, {often}</translation>
  </message>
  <message>
   <location filename="../../ui/stations/scenes/facts.py" />
   <source>nothing plays</source>
   <translation>nichts spielt</translation>
  </message>
  <message>
   <location filename="../../ui/stations/scenes/facts.py" />
   <source>at the latest {latest:.1f} ms before</source>
   <translation>spätestens {latest:.1f} ms davor</translation>
  </message>
  <message>
   <location filename="../../ui/stations/scenes/facts.py" />
   <source>until the boundary</source>
   <translation>bis zur Grenze</translation>
  </message>
  <message>
   <location filename="../../ui/stations/scenes/facts.py" />
   <source>{value:.1f} to {max:.1f} s before</source>
   <translation>{value:.1f} bis {max:.1f} s davor</translation>
  </message>
  <message>
   <location filename="../../ui/stations/scenes/facts.py" />
   <source>In the song also after {before}: {moves} by hand{fits}.</source>
   <translation>Im Song auch nach {before}: {moves} von Hand{fits}.</translation>
  </message>
  <message>
   <location filename="../../ui/stations/scenes/facts.py" />
   <source>are kept</source>
   <translation>bleiben</translation>
  </message>
  <message>
   <location filename="../../ui/stations/scenes/facts.py" />
   <source>are dropped, and that is said</source>
   <translation>werden ausgelassen, und das wird gesagt</translation>
  </message>
  <message>
   <location filename="../../ui/stations/scenes/facts.py" />
   <source>Mutes by hand {kept} at its end.</source>
   <translation>Mutes von Hand {kept} an ihrem Ende.</translation>
  </message>
  <message>
   <location filename="../../ui/stations/scenes/facts.py" />
   <source>scene {value}, {times} times {bars}, {length_text} at {bpm:g} BPM, {follow}</source>
   <translation>Szene {value}, {times}-mal {bars}, {length_text} bei {bpm:g} BPM, {follow}</translation>
  </message>
  <message>
   <location filename="../../ui/stations/scenes/facts.py" />
   <source>What changes coming in</source>
   <translation>Was sich beim Hereinkommen ändert</translation>
  </message>
  <message>
   <location filename="../../ui/stations/scenes/facts.py" />
   <source>always</source>
   <translation>immer</translation>
  </message>
  <message>
   <location filename="../../ui/stations/scenes/facts.py" />
   <source>{jumps} times</source>
   <translation>{jumps}-mal</translation>
  </message>
  <message>
   <location filename="../../ui/stations/scenes/facts.py" />
   <source>then the next</source>
   <translation>dann die nächste</translation>
  </message>
  <message>
   <location filename="../../ui/stations/scenes/facts.py" />
   <source>then back to where it came from</source>
   <translation>dann zurück, woher sie kam</translation>
  </message>
  <message>
   <location filename="../../ui/stations/scenes/facts.py" />
   <source>then itself, until launched</source>
   <translation>dann sie selbst, bis aufgerufen wird</translation>
  </message>
  <message>
   <location filename="../../ui/stations/scenes/facts.py" />
   <source>{device} here</source>
   <translation>{device} hier</translation>
  </message>
  <message>
   <location filename="../../ui/stations/scenes/facts.py" />
   <source>out of its range</source>
   <translation>außer seinem Bereich</translation>
  </message>
  <message>
   <location filename="../../ui/stations/scenes/facts.py" />
   <source>{fitted:.0f} ms</source>
   <translation>{fitted:.0f} ms</translation>
  </message>
  <message>
   <location filename="../../ui/stations/scenes/facts.py" />
   <source> (half or double)</source>
   <translation> (halb oder doppelt)</translation>
  </message>
  <message>
   <location filename="../../ui/stations/scenes/facts.py" />
   <source>at the boundary</source>
   <translation>an der Grenze</translation>
  </message>
  <message>
   <location filename="../../ui/stations/scenes/facts.py" />
   <source>until {latest:.0f} ms before</source>
   <translation>bis {latest:.0f} ms davor</translation>
  </message>
  <message>
   <location filename="../../ui/stations/scenes/facts.py" />
   <source>until {value:.0f} ms after</source>
   <translation>bis {value:.0f} ms danach</translation>
  </message>
  <message>
   <location filename="../../ui/stations/scenes/facts.py" />
   <source>, too many</source>
   <translation>, zu viele</translation>
  </message>
  <message>
   <location filename="../../ui/stations/scenes/facts.py" />
   <source>Mutes saved in it</source>
   <translation>Darin gespeicherte Mutes</translation>
  </message>
  <message>
   <location filename="../../ui/stations/scenes/facts.py" />
   <source>A loop of its {bars} is {seconds:.3f} s, {nearest} samples at {value} kHz.</source>
   <translation>Ein Loop ihrer {bars} dauert {seconds:.3f} s, {nearest} Samples bei {value} kHz.</translation>
  </message>
  <message>
   <location filename="../../ui/stations/scenes/facts.py" />
   <source>Echo time: </source>
   <translation>Echozeit: </translation>
  </message>
  <message>
   <location filename="../../ui/stations/scenes/facts.py" />
   <source>Nothing: everything carries on.</source>
   <translation>Nichts: alles läuft weiter.</translation>
  </message>
  <message>
   <location filename="../../ui/stations/scenes/facts.py" />
   <source>Free.</source>
   <translation>Frei.</translation>
  </message>
  <message>
   <location filename="../../ui/stations/scenes/facts.py" />
   <source>Too much at once</source>
   <translation>Zu viel auf einmal</translation>
  </message>
  <message>
   <location filename="../../ui/stations/scenes/facts.py" />
   <source>Mutes left alone</source>
   <translation>Mutes gelassen</translation>
  </message>
  <message>
   <location filename="../../ui/stations/scenes/facts.py" />
   <source>They stay as they stand when it comes in.</source>
   <translation>Sie bleiben, wie sie stehen, wenn sie hereinkommt.</translation>
  </message>
  <message>
   <location filename="../../ui/stations/scenes/facts.py" />
   <source>all of it</source>
   <translation>alles davon</translation>
  </message>
  <message>
   <location filename="../../ui/stations/scenes/facts.py" />
   <source>None.</source>
   <translation>Keine.</translation>
  </message>
  <message>
   <location filename="../../ui/stations/scenes/facts.py" />
   <source>Tracks: </source>
   <translation>Spuren: </translation>
  </message>
  <message>
   <location filename="../../ui/stations/scenes/facts.py" />
   <source>left as it is</source>
   <translation>gelassen, wie es ist</translation>
  </message>
  <message>
   <location filename="../../ui/stations/scenes/facts.py" />
   <source>Tight: {spare_s:.1f} s to spare.</source>
   <translation>Knapp: {spare_s:.1f} s übrig.</translation>
  </message>
  <message>
   <location filename="../../ui/stations/scenes/facts.py" />
   <source>{spare_s:.1f} s to spare.</source>
   <translation>{spare_s:.1f} s übrig.</translation>
  </message>
  <message>
   <location filename="../../ui/stations/scenes/facts.py" />
   <source>plays</source>
   <translation>spielt</translation>
  </message>
  <message>
   <location filename="../../ui/stations/scenes/facts.py" />
   <source>rests</source>
   <translation>ruht</translation>
  </message>
  <message>
   <location filename="../../ui/stations/scenes/facts.py" />
   <source>Voices: </source>
   <translation>Stimmen: </translation>
  </message>
  <message>
   <location filename="../../ui/stations/scenes/facts.py" />
   <source> (silent)</source>
   <translation> (stumm)</translation>
  </message>
  <message>
   <location filename="../../ui/stations/scenes/view.py" />
   <source>This device here</source>
   <translation>Dieses Gerät hier</translation>
  </message>
  <message>
   <location filename="../../ui/stations/scenes/view.py" />
   <source>The scene</source>
   <translation>Die Szene</translation>
  </message>
  <message>
   <location filename="../../ui/stations/scenes/view.py" />
   <source>You</source>
   <translation>Du</translation>
  </message>
  <message>
   <location filename="../../ui/stations/scenes/view.py" />
   <source>Muted</source>
   <translation>Stumm</translation>
  </message>
  <message>
   <location filename="../../ui/stations/scenes/view.py" />
   <source>Plays, one after another</source>
   <translation>Spielt, eines nach dem anderen</translation>
  </message>
  <message>
   <location filename="../../ui/stations/scenes/view.py" />
   <source>While a fill is held</source>
   <translation>Solange ein Fill gehalten wird</translation>
  </message>
  <message>
   <location filename="../../ui/stations/scenes/view.py" />
   <source>Silent voices</source>
   <translation>Stille Stimmen</translation>
  </message>
  <message>
   <location filename="../../ui/stations/scenes/view.py" />
   <source>Loop tracks that play</source>
   <translation>Loop-Spuren, die spielen</translation>
  </message>
  <message>
   <location filename="../../ui/stations/scenes/view.py" />
   <source>Controllers sent as it comes in</source>
   <translation>Controller, gesendet beim Hereinkommen</translation>
  </message>
  <message>
   <location filename="../../ui/stations/scenes/view.py" />
   <source>over bars</source>
   <translation>über Takte</translation>
  </message>
  <message>
   <location filename="../../ui/stations/scenes/view.py" />
   <source>Its echo frozen as a loop</source>
   <translation>Sein Echo als Schleife eingefroren</translation>
  </message>
  <message>
   <location filename="../../ui/stations/scenes/view.py" />
   <source>By hand, at its end</source>
   <translation>Von Hand, an ihrem Ende</translation>
  </message>
  <message>
   <location filename="../../ui/stations/scenes/view.py" />
   <source>Then</source>
   <translation>Danach</translation>
  </message>
  <message>
   <location filename="../../ui/stations/scenes/view.py" />
   <source>Jump to</source>
   <translation>Springen zu</translation>
  </message>
  <message>
   <location filename="../../ui/stations/scenes/view.py" />
   <source>Times, 0 always</source>
   <translation>Mal, 0 immer</translation>
  </message>
  <message>
   <location filename="../../ui/stations/scenes/view.py" />
   <source>Lines run on where nothing changes. A ring: Grebe changes it. A diamond: you do.</source>
   <translation>Linien laufen weiter, wo sich nichts ändert. Ein Ring: Grebe ändert es. Eine Raute: du.</translation>
  </message>
  <message>
   <location filename="../../ui/stations/scenes/view.py" />
   <source>of {song}</source>
   <translation>von {song}</translation>
  </message>
  <message>
   <location filename="../../ui/stations/scenes/view.py" />
   <source>of the project</source>
   <translation>des Projekts</translation>
  </message>
  <message>
   <location filename="../../ui/stations/scenes/view.py" />
   <source>{song} does not play {scene}: {into_song} puts it there</source>
   <translation>{song} spielt {scene} nicht: {into_song} setzt sie hinein</translation>
  </message>
  <message>
   <location filename="../../ui/stations/scenes/view.py" />
   <source>scenes</source>
   <translation>Szenen</translation>
  </message>
  <message>
   <location filename="../../ui/stations/set/canvas.py" />
   <source>Set</source>
   <translation>Set</translation>
  </message>
  <message>
   <location filename="../../ui/stations/set/canvas.py" />
   <source>{add_song} puts a song in.</source>
   <translation>{add_song} setzt einen Song hinein.</translation>
  </message>
  <message>
   <location filename="../../ui/stations/set/canvas.py" />
   <source>{share:.0f} % of the most</source>
   <translation>{share:.0f} % des Höchsten</translation>
  </message>
  <message>
   <location filename="../../ui/stations/set/crossings.py" />
   <source>Between songs</source>
   <translation>Zwischen Songs</translation>
  </message>
  <message>
   <location filename="../../ui/stations/set/crossings.py" />
   <source>Its loops played at {bpm_from:g} BPM: {turned:+.2f} semitones.</source>
   <translation>Seine Loops bei {bpm_from:g} BPM gespielt: {turned:+.2f} Halbtöne.</translation>
  </message>
  <message>
   <location filename="../../ui/stations/set/crossings.py" />
   <source>Keys match {shift}.</source>
   <translation>Tonarten passen {shift}.</translation>
  </message>
  <message>
   <location filename="../../ui/stations/set/crossings.py" />
   <source>The metre goes from {metres} to {metres2}.</source>
   <translation>Die Taktart geht von {metres} zu {metres2}.</translation>
  </message>
  <message>
   <location filename="../../ui/stations/set/picture.py" />
   <source>{clock_text} spare</source>
   <translation>{clock_text} übrig</translation>
  </message>
  <message>
   <location filename="../../ui/stations/set/picture.py" />
   <source>or {name}, {clock_text} (V)</source>
   <translation>oder {name}, {clock_text} (V)</translation>
  </message>
  <message>
   <location filename="../../ui/stations/set/picture.py" />
   <source>Tempo path</source>
   <translation>Tempoverlauf</translation>
  </message>
  <message>
   <location filename="../../ui/stations/set/picture.py" />
   <source>{minute} min</source>
   <translation>{minute} min</translation>
  </message>
  <message>
   <location filename="../../ui/stations/set/picture.py" />
   <source>{clock_text} too long</source>
   <translation>{clock_text} zu lang</translation>
  </message>
  <message>
   <location filename="../../ui/stations/set/rehearse.py" />
   <source>{tap_ones} begins, {tap} on every first beat, {tap_ones} again ends and writes it down.</source>
   <translation>{tap_ones} beginnt, {tap} auf jedem ersten Schlag, {tap_ones} noch einmal endet und schreibt es auf.</translation>
  </message>
  <message>
   <location filename="../../ui/stations/set/rehearse.py" />
   <source>At {value:.0f} % of the tempo.</source>
   <translation>Bei {value:.0f} % des Tempos.</translation>
  </message>
  <message>
   <location filename="../../ui/stations/set/rehearse.py" />
   <source>, at {share:.0f} % of the tempo</source>
   <translation>, bei {share:.0f} % des Tempos</translation>
  </message>
  <message>
   <location filename="../../ui/stations/set/rehearse.py" />
   <source>you launch</source>
   <translation>du rufst auf</translation>
  </message>
  <message>
   <location filename="../../ui/stations/set/rehearse.py" />
   <source>Grebe launches</source>
   <translation>Grebe ruft auf</translation>
  </message>
  <message>
   <location filename="../../ui/stations/set/rehearse.py" />
   <source>{scene}, bar {bar}</source>
   <translation>{scene}, Takt {bar}</translation>
  </message>
  <message>
   <location filename="../../ui/stations/set/rehearse.py" />
   <source>How it went: {good} of {things} good</source>
   <translation>Wie es ging: {good} von {things} gut</translation>
  </message>
  <message>
   <location filename="../../ui/stations/set/rehearse.py" />
   <source>How it went</source>
   <translation>Wie es ging</translation>
  </message>
  <message>
   <location filename="../../ui/stations/set/rehearse.py" />
   <source> by {value:.1f} s</source>
   <translation> um {value:.1f} s</translation>
  </message>
  <message>
   <location filename="../../ui/stations/set/rehearse.py" />
   <source> by {off_ms:.0f} ms</source>
   <translation> um {off_ms:.0f} ms</translation>
  </message>
  <message>
   <location filename="../../ui/stations/set/rehearse.py" />
   <source>What to practise</source>
   <translation>Was zu üben ist</translation>
  </message>
  <message>
   <location filename="../../ui/stations/set/rehearse.py" />
   <source>Bring it in on the one</source>
   <translation>Auf der Eins hereinbringen</translation>
  </message>
  <message>
   <location filename="../../ui/stations/set/rehearse.py" />
   <source>X on the first beat of every bar, or the tap pedal.</source>
   <translation>X auf dem ersten Schlag jedes Takts, oder das Tipp-Pedal.</translation>
  </message>
  <message>
   <location filename="../../ui/stations/set/rehearse.py" />
   <source>{found_words}  mean {mean_ms:+.0f} ms, spread {spread_ms:.0f} ms</source>
   <translation>{found_words}  Mittel {mean_ms:+.0f} ms, Streuung {spread_ms:.0f} ms</translation>
  </message>
  <message>
   <location filename="../../ui/stations/set/rehearse.py" />
   <source>Runs before: mean, spread</source>
   <translation>Läufe davor: Mittel, Streuung</translation>
  </message>
  <message>
   <location filename="../../ui/stations/set/rehearse.py" />
   <source>No runs written down yet</source>
   <translation>Noch keine Läufe aufgeschrieben</translation>
  </message>
  <message>
   <location filename="../../ui/stations/set/rehearse.py" />
   <source>Ready: {who}{pace}</source>
   <translation>Bereit: {who}{pace}</translation>
  </message>
  <message>
   <location filename="../../ui/stations/set/rehearse.py" />
   <source>{keys} rehearses from the song in hand, counted in. {keys2}: who launches.</source>
   <translation>{keys} probt ab dem Song in der Hand, mit Vorzähler. {keys2}: wer aufruft.</translation>
  </message>
  <message>
   <location filename="../../ui/stations/set/rehearse.py" />
   <source>{keys} brings in what is next, {keys2} ticks a move off; or use Stage.</source>
   <translation>{keys} bringt herein, was als Nächstes kommt, {keys2} hakt einen Griff ab; oder nimm die Bühne.</translation>
  </message>
  <message>
   <location filename="../../ui/stations/set/rehearse.py" />
   <source>{keys} lets the transition in hand go round. {keys2}: in on the one.</source>
   <translation>{keys} lässt den Übergang in der Hand im Kreis laufen. {keys2}: auf der Eins herein.</translation>
  </message>
  <message>
   <location filename="../../ui/stations/set/rehearse.py" />
   <source>{scene} in {seconds_text}</source>
   <translation>{scene} in {seconds_text}</translation>
  </message>
  <message>
   <location filename="../../ui/stations/set/rehearse.py" />
   <source>{scene} is {seconds_text} late</source>
   <translation>{scene} ist {seconds_text} spät</translation>
  </message>
  <message>
   <location filename="../../ui/stations/set/rehearse.py" />
   <source>Hands free</source>
   <translation>Hände frei</translation>
  </message>
  <message>
   <location filename="../../ui/stations/set/rehearse.py" />
   <source>Nothing has been rehearsed yet.</source>
   <translation>Noch wurde nichts geprobt.</translation>
  </message>
  <message>
   <location filename="../../ui/stations/set/rehearse.py" />
   <source>{song}. It sits.</source>
   <translation>{song}. Es sitzt.</translation>
  </message>
  <message>
   <location filename="../../ui/stations/set/rehearse.py" />
   <source>{value} ms {what}</source>
   <translation>{value} ms {what}</translation>
  </message>
  <message>
   <location filename="../../ui/stations/set/rehearse.py" />
   <source>{mean:+.0f} ms, {spread:.0f} ms</source>
   <translation>{mean:+.0f} ms, {spread:.0f} ms</translation>
  </message>
  <message>
   <location filename="../../ui/stations/set/rehearse.py" />
   <source>nothing has been rehearsed yet: {rehearse} begins</source>
   <translation>noch wurde nichts geprobt: {rehearse} beginnt</translation>
  </message>
  <message>
   <location filename="../../ui/stations/set/rehearse.py" />
   <source>going round</source>
   <translation>in der Schleife</translation>
  </message>
  <message>
   <location filename="../../ui/stations/set/view.py" />
   <source>This place</source>
   <translation>Dieser Platz</translation>
  </message>
  <message>
   <location filename="../../ui/stations/set/view.py" />
   <source>The song</source>
   <translation>Der Song</translation>
  </message>
  <message>
   <location filename="../../ui/stations/set/view.py" />
   <source>The set</source>
   <translation>Das Set</translation>
  </message>
  <message>
   <location filename="../../ui/stations/set/view.py" />
   <source>Silence before</source>
   <translation>Stille davor</translation>
  </message>
  <message>
   <location filename="../../ui/stations/set/view.py" />
   <source>Key, if not as heard</source>
   <translation>Tonart, wenn nicht wie gehört</translation>
  </message>
  <message>
   <location filename="../../ui/stations/set/view.py" />
   <source>Version</source>
   <translation>Fassung</translation>
  </message>
  <message>
   <location filename="../../ui/stations/set/view.py" />
   <source>Needs</source>
   <translation>Braucht</translation>
  </message>
  <message>
   <location filename="../../ui/stations/set/view.py" />
   <source>Slot, min:s</source>
   <translation>Zeitfenster, min:s</translation>
  </message>
  <message>
   <location filename="../../ui/stations/set/view.py" />
   <source>Tempo steps weigh</source>
   <translation>Temposchritte wiegen</translation>
  </message>
  <message>
   <location filename="../../ui/stations/set/view.py" />
   <source>Keys weigh</source>
   <translation>Tonarten wiegen</translation>
  </message>
  <message>
   <location filename="../../ui/stations/set/view.py" />
   <source>Energy weighs</source>
   <translation>Energie wiegt</translation>
  </message>
  <message>
   <location filename="../../ui/stations/set/view.py" />
   <source>Work weighs</source>
   <translation>Arbeit wiegt</translation>
  </message>
  <message>
   <location filename="../../ui/stations/set/view.py" />
   <source>Running order</source>
   <translation>Reihenfolge</translation>
  </message>
  <message>
   <location filename="../../ui/stations/set/view.py" />
   <source> of {clock_text}</source>
   <translation> von {clock_text}</translation>
  </message>
  <message>
   <location filename="../../ui/stations/set/view.py" />
   <source>Read the set from</source>
   <translation>Das Set lesen aus</translation>
  </message>
  <message>
   <location filename="../../ui/stations/set/view.py" />
   <source>CSV (*.csv)</source>
   <translation>CSV (*.csv)</translation>
  </message>
  <message>
   <location filename="../../ui/stations/set/view.py" />
   <source>Write the set as</source>
   <translation>Das Set schreiben als</translation>
  </message>
  <message>
   <location filename="../../ui/stations/set/view.py" />
   <source>No set yet</source>
   <translation>Noch kein Set</translation>
  </message>
  <message>
   <location filename="../../ui/stations/set/view.py" />
   <source>{add_song} puts a song into a first one.</source>
   <translation>{add_song} setzt einen Song in ein erstes.</translation>
  </message>
  <message>
   <location filename="../../ui/stations/set/view.py" />
   <source>Set from CSV</source>
   <translation>Set aus CSV</translation>
  </message>
  <message>
   <location filename="../../ui/stations/song/canvas.py" />
   <source>No song that can be laid out; what is listed below says why. {insert_section} adds a section.</source>
   <translation>Kein Song, der sich auslegen lässt; unten steht, warum. {insert_section} fügt einen Abschnitt hinzu.</translation>
  </message>
  <message>
   <location filename="../../ui/stations/song/exports.py" />
   <source>Write the cue list into</source>
   <translation>Die Cueliste schreiben in</translation>
  </message>
  <message>
   <location filename="../../ui/stations/song/exports.py" />
   <source>Write the scene as a WAV loop into</source>
   <translation>Die Szene als WAV-Loop schreiben in</translation>
  </message>
  <message>
   <location filename="../../ui/stations/song/grips.py" />
   <source>bar {first} to {last}, {seconds:.1f} s</source>
   <translation>Takt {first} bis {last}, {seconds:.1f} s</translation>
  </message>
  <message>
   <location filename="../../ui/stations/song/grips.py" />
   <source>out from {first} to {last}</source>
   <translation>weg von {first} bis {last}</translation>
  </message>
  <message>
   <location filename="../../ui/stations/song/grips.py" />
   <source>section {number} of {count}, bar {bar}</source>
   <translation>Abschnitt {number} von {count}, Takt {bar}</translation>
  </message>
  <message>
   <location filename="../../ui/stations/song/grips.py" />
   <source>{place}: {value}</source>
   <translation>{place}: {value}</translation>
  </message>
  <message>
   <location filename="../../ui/stations/song/grips.py" />
   <source>over and over: {stretch}</source>
   <translation>immer wieder: {stretch}</translation>
  </message>
  <message>
   <location filename="../../ui/stations/song/grips.py" />
   <source>controller {number}: {value} is sent here</source>
   <translation>Controller {number}: hier wird {value} gesendet</translation>
  </message>
  <message>
   <location filename="../../ui/stations/song/overlaid.py" />
   <source>as the scene has it</source>
   <translation>wie in der Szene</translation>
  </message>
  <message>
   <location filename="../../ui/stations/song/picture.py" />
   <source>{count} of {count2} devices</source>
   <translation>{count} von {count2} Geräten</translation>
  </message>
  <message>
   <location filename="../../ui/stations/song/picture.py" />
   <source>Energy</source>
   <translation>Energie</translation>
  </message>
  <message>
   <location filename="../../ui/stations/song/picture.py" />
   <source>voices sounding,</source>
   <translation>Stimmen, die klingen,</translation>
  </message>
  <message>
   <location filename="../../ui/stations/song/picture.py" />
   <source>density, level</source>
   <translation>Dichte, Pegel</translation>
  </message>
  <message>
   <location filename="../../ui/stations/song/picture.py" />
   <source>then jumps {often}</source>
   <translation>springt dann {often}</translation>
  </message>
  <message>
   <location filename="../../ui/stations/song/picture.py" />
   <source>then back {often}</source>
   <translation>dann zurück {often}</translation>
  </message>
  <message>
   <location filename="../../ui/stations/song/picture.py" />
   <source>stays</source>
   <translation>bleibt</translation>
  </message>
  <message>
   <location filename="../../ui/stations/song/picture.py" />
   <source>to {bpm:g}{over}</source>
   <translation>auf {bpm:g}{over}</translation>
  </message>
  <message>
   <location filename="../../ui/stations/song/picture.py" />
   <source>to {bpm:g}</source>
   <translation>auf {bpm:g}</translation>
  </message>
  <message>
   <location filename="../../ui/stations/song/picture.py" />
   <source>only {known}</source>
   <translation>nur {known}</translation>
  </message>
  <message>
   <location filename="../../ui/stations/song/view.py" />
   <source>The section</source>
   <translation>Der Abschnitt</translation>
  </message>
  <message>
   <location filename="../../ui/stations/song/view.py" />
   <source>Programme</source>
   <translation>Programm</translation>
  </message>
  <message>
   <location filename="../../ui/stations/song/view.py" />
   <source>Stage sheet</source>
   <translation>Bühnenblatt</translation>
  </message>
  <message>
   <location filename="../../ui/stations/song/view.py" />
   <source>Tempo from here</source>
   <translation>Tempo ab hier</translation>
  </message>
  <message>
   <location filename="../../ui/stations/song/view.py" />
   <source>its value here</source>
   <translation>ihr Wert hier</translation>
  </message>
  <message>
   <location filename="../../ui/stations/song/view.py" />
   <source>Jump to number</source>
   <translation>Springen zu Nummer</translation>
  </message>
  <message>
   <location filename="../../ui/stations/song/view.py" />
   <source>{bars}   {length_text}   {bpm:g} BPM   song {number} of {count}, {next_song} for another   at bar {bar_at}</source>
   <translation>{bars}   {length_text}   {bpm:g} BPM   Song {number} von {count}, {next_song} für einen anderen   bei Takt {bar_at}</translation>
  </message>
  <message>
   <location filename="../../ui/stations/song/view.py" />
   <source>{form_verse} makes one of the scenes.</source>
   <translation>{form_verse} macht einen aus den Szenen.</translation>
  </message>
  <message>
   <location filename="../../ui/stations/song/view.py" />
   <source>{bpm:g} BPM   song {number} of {count}</source>
   <translation>{bpm:g} BPM   Song {number} von {count}</translation>
  </message>
  <message>
   <location filename="../../ui/stations/song/view.py" />
   <source>No song yet</source>
   <translation>Noch kein Song</translation>
  </message>
  <message>
   <location filename="../../ui/stations/song/view.py" />
   <source>Selected in {name}</source>
   <translation>Gewählt in {name}</translation>
  </message>
  <message>
   <location filename="../../ui/stations/song/view.py" />
   <source>It names a scene that is not there.</source>
   <translation>Er nennt eine Szene, die nicht da ist.</translation>
  </message>
  <message>
   <location filename="../../ui/stations/stage/blocks.py" />
   <source>muted by scene</source>
   <translation>stumm durch Szene</translation>
  </message>
  <message>
   <location filename="../../ui/stations/stage/blocks.py" />
   <source>muted by song</source>
   <translation>stumm durch Song</translation>
  </message>
  <message>
   <location filename="../../ui/stations/stage/blocks.py" />
   <source>muted by hand</source>
   <translation>stumm von Hand</translation>
  </message>
  <message>
   <location filename="../../ui/stations/stage/blocks.py" />
   <source>others alone</source>
   <translation>andere allein</translation>
  </message>
  <message>
   <location filename="../../ui/stations/stage/blocks.py" />
   <source>silent here</source>
   <translation>hier stumm</translation>
  </message>
  <message>
   <location filename="../../ui/stations/stage/blocks.py" />
   <source>records</source>
   <translation>nimmt auf</translation>
  </message>
  <message>
   <location filename="../../ui/stations/stage/blocks.py" />
   <source>stops</source>
   <translation>hält an</translation>
  </message>
  <message>
   <location filename="../../ui/stations/stage/blocks.py" />
   <source>{t_number}: {value:.3g} bars</source>
   <translation>{t_number}: {value:.3g} Takte</translation>
  </message>
  <message>
   <location filename="../../ui/stations/stage/blocks.py" />
   <source>the loop</source>
   <translation>der Loop</translation>
  </message>
  <message>
   <location filename="../../ui/stations/stage/blocks.py" />
   <source>on {where}, {bars}</source>
   <translation>auf {where}, {bars}</translation>
  </message>
  <message>
   <location filename="../../ui/stations/stage/blocks.py" />
   <source>on {where}, open</source>
   <translation>auf {where}, offen</translation>
  </message>
  <message>
   <location filename="../../ui/stations/stage/blocks.py" />
   <source>ready</source>
   <translation>bereit</translation>
  </message>
  <message>
   <location filename="../../ui/stations/stage/blocks.py" />
   <source>{pattern}, by hand</source>
   <translation>{pattern}, von Hand</translation>
  </message>
  <message>
   <location filename="../../ui/stations/stage/blocks.py" />
   <source>tracks not known</source>
   <translation>Spuren nicht bekannt</translation>
  </message>
  <message>
   <location filename="../../ui/stations/stage/blocks.py" />
   <source>{track_number} {acts} in {ceil} beats</source>
   <translation>{track_number} {acts} in {ceil} Schlägen</translation>
  </message>
  <message>
   <location filename="../../ui/stations/stage/blocks.py" />
   <source>mute it by hand</source>
   <translation>schalt es von Hand stumm</translation>
  </message>
  <message>
   <location filename="../../ui/stations/stage/canvas.py" />
   <source>{clock_text} of the slot left</source>
   <translation>{clock_text} vom Zeitfenster übrig</translation>
  </message>
  <message>
   <location filename="../../ui/stations/stage/canvas.py" />
   <source>mute</source>
   <translation>stumm</translation>
  </message>
  <message>
   <location filename="../../ui/stations/stage/canvas.py" />
   <source>mutes</source>
   <translation>Mutes</translation>
  </message>
  <message>
   <location filename="../../ui/stations/stage/canvas.py" />
   <source>{many} by hand: {kept} this section, {keep_mutes} changes that</source>
   <translation>{many} von Hand: {kept} diesen Abschnitt, {keep_mutes} ändert das</translation>
  </message>
  <message>
   <location filename="../../ui/stations/stage/canvas.py" />
   <source>{song}   song {value} of {count}</source>
   <translation>{song}   Song {value} von {count}</translation>
  </message>
  <message>
   <location filename="../../ui/stations/stage/canvas.py" />
   <source>{clock_text}   {clock_text2} left</source>
   <translation>{clock_text}   {clock_text2} übrig</translation>
  </message>
  <message>
   <location filename="../../ui/stations/stage/canvas.py" />
   <source>COUNTING IN</source>
   <translation>ZÄHLT VOR</translation>
  </message>
  <message>
   <location filename="../../ui/stations/stage/canvas.py" />
   <source>READY</source>
   <translation>BEREIT</translation>
  </message>
  <message>
   <location filename="../../ui/stations/stage/canvas.py" />
   <source>{bpm:g} BPM, {bars}. Space runs from the top.</source>
   <translation>{bpm:g} BPM, {bars}. Leertaste läuft von vorn.</translation>
  </message>
  <message>
   <location filename="../../ui/stations/stage/canvas.py" />
   <source>pass {now_number} of {passes}</source>
   <translation>Durchgang {now_number} von {passes}</translation>
  </message>
  <message>
   <location filename="../../ui/stations/stage/canvas.py" />
   <source>one pass</source>
   <translation>ein Durchgang</translation>
  </message>
  <message>
   <location filename="../../ui/stations/stage/canvas.py" />
   <source>held</source>
   <translation>gehalten</translation>
  </message>
  <message>
   <location filename="../../ui/stations/stage/canvas.py" />
   <source>of {bars}</source>
   <translation>von {bars}</translation>
  </message>
  <message>
   <location filename="../../ui/stations/stage/canvas.py" />
   <source>in {bars} bars</source>
   <translation>in {bars} Takten</translation>
  </message>
  <message>
   <location filename="../../ui/stations/stage/canvas.py" />
   <source>in {value} beats</source>
   <translation>in {value} Schlägen</translation>
  </message>
  <message>
   <location filename="../../ui/stations/stage/canvas.py" />
   <source>stay after</source>
   <translation>bleiben nach</translation>
  </message>
  <message>
   <location filename="../../ui/stations/stage/canvas.py" />
   <source>end with</source>
   <translation>enden mit</translation>
  </message>
  <message>
   <location filename="../../ui/stations/stage/canvas.py" />
   <source>No song to play</source>
   <translation>Kein Song zu spielen</translation>
  </message>
  <message>
   <location filename="../../ui/stations/stage/canvas.py" />
   <source>{song}   this song alone</source>
   <translation>{song}   dieser Song allein</translation>
  </message>
  <message>
   <location filename="../../ui/stations/stage/canvas.py" />
   <source>{names} not heard</source>
   <translation>{names} nicht gehört</translation>
  </message>
  <message>
   <location filename="../../ui/stations/stage/canvas.py" />
   <source>plan fits, {clock_text} to spare</source>
   <translation>Plan passt, {clock_text} übrig</translation>
  </message>
  <message>
   <location filename="../../ui/stations/stage/canvas.py" />
   <source>{clock_text} over: D drops a pass of {scene}</source>
   <translation>{clock_text} darüber: D lässt einen Durchgang von {scene} aus</translation>
  </message>
  <message>
   <location filename="../../ui/stations/stage/canvas.py" />
   <source>HELD</source>
   <translation>GEHALTEN</translation>
  </message>
  <message>
   <location filename="../../ui/stations/stage/canvas.py" />
   <source>NOW</source>
   <translation>JETZT</translation>
  </message>
  <message>
   <location filename="../../ui/stations/stage/canvas.py" />
   <source>carried at {bpm:.4g} BPM: G lets it go to its own</source>
   <translation>mit {bpm:.4g} BPM weitergetragen: G lässt es in sein eigenes</translation>
  </message>
  <message>
   <location filename="../../ui/stations/stage/canvas.py" />
   <source>beats to go</source>
   <translation>Schläge noch</translation>
  </message>
  <message>
   <location filename="../../ui/stations/stage/canvas.py" />
   <source>beat to go</source>
   <translation>Schlag noch</translation>
  </message>
  <message>
   <location filename="../../ui/stations/stage/canvas.py" />
   <source>{moves} done. </source>
   <translation>{moves} getan. </translation>
  </message>
  <message>
   <location filename="../../ui/stations/stage/canvas.py" />
   <source>Hands free until {scene}</source>
   <translation>Hände frei bis {scene}</translation>
  </message>
  <message>
   <location filename="../../ui/stations/stage/canvas.py" />
   <source>The song ends by itself</source>
   <translation>Der Song endet von selbst</translation>
  </message>
  <message>
   <location filename="../../ui/stations/stage/canvas.py" />
   <source>, and {rest} more</source>
   <translation>, und {rest} mehr</translation>
  </message>
  <message>
   <location filename="../../ui/stations/stage/canvas.py" />
   <source>now, {key}</source>
   <translation>jetzt, {key}</translation>
  </message>
  <message>
   <location filename="../../ui/stations/stage/canvas.py" />
   <source>now</source>
   <translation>jetzt</translation>
  </message>
  <message>
   <location filename="../../ui/stations/stage/canvas.py" />
   <source>keys locked, {lock}</source>
   <translation>Tasten gesperrt, {lock}</translation>
  </message>
  <message>
   <location filename="../../ui/stations/stage/canvas.py" />
   <source>{clock_text} over</source>
   <translation>{clock_text} darüber</translation>
  </message>
  <message>
   <location filename="../../ui/stations/stage/canvas.py" />
   <source>touch guard off</source>
   <translation>Berührungsschutz aus</translation>
  </message>
  <message>
   <location filename="../../ui/stations/stage/next_panel.py" />
   <source>in {value} · {seconds_text}</source>
   <translation>in {value} · {seconds_text}</translation>
  </message>
  <message>
   <location filename="../../ui/stations/stage/next_panel.py" />
   <source>Enter brings it in on the next bar, Esc lets it be.</source>
   <translation>Enter bringt es mit dem nächsten Takt herein, Esc lässt es sein.</translation>
  </message>
  <message>
   <location filename="../../ui/stations/stage/next_panel.py" />
   <source>NEXT, ASKED FOR</source>
   <translation>ALS NÄCHSTES, VERLANGT</translation>
  </message>
  <message>
   <location filename="../../ui/stations/stage/next_panel.py" />
   <source>NEXT</source>
   <translation>ALS NÄCHSTES</translation>
  </message>
  <message>
   <location filename="../../ui/stations/stage/next_panel.py" />
   <source>when you let go: {hold}, or {next_in}</source>
   <translation>wenn du loslässt: {hold} oder {next_in}</translation>
  </message>
  <message>
   <location filename="../../ui/stations/stage/next_panel.py" />
   <source>{withdraw} takes it back, for {seconds_text}</source>
   <translation>{withdraw} nimmt es zurück, noch {seconds_text}</translation>
  </message>
  <message>
   <location filename="../../ui/stations/stage/next_panel.py" />
   <source>Stop, then {after}</source>
   <translation>Halt, dann {after}</translation>
  </message>
  <message>
   <location filename="../../ui/stations/stage/next_panel.py" />
   <source>with Space</source>
   <translation>mit der Leertaste</translation>
  </message>
  <message>
   <location filename="../../ui/stations/stage/next_panel.py" />
   <source>PATTERN OF {line}</source>
   <translation>PATTERN VON {line}</translation>
  </message>
  <message>
   <location filename="../../ui/stations/stage/next_panel.py" />
   <source>Enter on the bar, {end} at its end, {now} at once.</source>
   <translation>Enter auf den Takt, {end} an seinem Ende, {now} sofort.</translation>
  </message>
  <message>
   <location filename="../../ui/stations/stage/next_panel.py" />
   <source>too late to take back: boxes are told</source>
   <translation>zu spät zum Zurücknehmen: den Geräten ist es gesagt</translation>
  </message>
  <message>
   <location filename="../../ui/stations/stage/next_panel.py" />
   <source>SCENE NUMBER</source>
   <translation>SZENE, NUMMER</translation>
  </message>
  <message>
   <location filename="../../ui/stations/stage/next_panel.py" />
   <source>SONG NUMBER</source>
   <translation>SONG, NUMMER</translation>
  </message>
  <message>
   <location filename="../../ui/stations/stage/next_panel.py" />
   <source>SCENE OF THE OTHER PROJECT</source>
   <translation>SZENE DES ANDEREN PROJEKTS</translation>
  </message>
  <message>
   <location filename="../../ui/stations/stage/next_panel.py" />
   <source>SONG OF THE OTHER PROJECT</source>
   <translation>SONG DES ANDEREN PROJEKTS</translation>
  </message>
  <message>
   <location filename="../../ui/stations/stage/next_panel.py" />
   <source>ANY SCENE</source>
   <translation>JEDE SZENE</translation>
  </message>
  <message>
   <location filename="../../ui/stations/stage/next_panel.py" />
   <source>ANY SONG OR SET</source>
   <translation>BELIEBIGER SONG ODER SET</translation>
  </message>
  <message>
   <location filename="../../ui/stations/stage/next_panel.py" />
   <source>PATTERN: BOX OR TRACK FIRST</source>
   <translation>PATTERN: ERST GERÄT ODER SPUR</translation>
  </message>
  <message>
   <location filename="../../ui/stations/stage/next_panel.py" />
   <source>a moment</source>
   <translation>einem Augenblick</translation>
  </message>
  <message>
   <location filename="../../ui/stations/stage/next_panel.py" />
   <source>stays on {told}</source>
   <translation>bleibt auf {told}</translation>
  </message>
  <message>
   <location filename="../../ui/stations/stage/next_panel.py" />
   <source>stays silent</source>
   <translation>bleibt stumm</translation>
  </message>
  <message>
   <location filename="../../ui/stations/stage/next_panel.py" />
   <source>{words}: by hand</source>
   <translation>{words}: von Hand</translation>
  </message>
  <message>
   <location filename="../../ui/stations/stage/targets.py" />
   <source>Lock</source>
   <translation>Sperren</translation>
  </message>
  <message>
   <location filename="../../ui/stations/stage/targets.py" />
   <source>Stop loops</source>
   <translation>Loops aus</translation>
  </message>
  <message>
   <location filename="../../ui/stations/stage/targets.py" />
   <source>More##boxes and tracks</source>
   <translation>Weitere</translation>
  </message>
  <message>
   <location filename="../../ui/stations/stage/targets.py" />
   <source>Next bar##bring in, on Stage</source>
   <translation>Zum Takt</translation>
  </message>
  <message>
   <location filename="../../ui/stations/stage/targets.py" />
   <source>At the end##bring in, on Stage</source>
   <translation>Am Ende</translation>
  </message>
  <message>
   <location filename="../../ui/stations/stage/targets.py" />
   <source>Cut##to it, on Stage</source>
   <translation>Schneiden</translation>
  </message>
  <message>
   <location filename="../../ui/stations/stage/targets.py" />
   <source>Hold</source>
   <translation>Halten</translation>
  </message>
  <message>
   <location filename="../../ui/stations/stage/targets.py" />
   <source>Again</source>
   <translation>Noch einmal</translation>
  </message>
  <message>
   <location filename="../../ui/stations/stage/targets.py" />
   <source>Back##a section</source>
   <translation>Zurück</translation>
  </message>
  <message>
   <location filename="../../ui/stations/stage/targets.py" />
   <source>Skip</source>
   <translation>Auslassen</translation>
  </message>
  <message>
   <location filename="../../ui/stations/stage/targets.py" />
   <source>Take back</source>
   <translation>Widerruf</translation>
  </message>
  <message>
   <location filename="../../ui/stations/stage/targets.py" />
   <source>Done##a move</source>
   <translation>Erledigt</translation>
  </message>
  <message>
   <location filename="../../ui/stations/stage/targets.py" />
   <source>Alone##a box</source>
   <translation>Allein</translation>
  </message>
  <message>
   <location filename="../../ui/stations/stage/targets.py" />
   <source>Go</source>
   <translation>Gehen</translation>
  </message>
  <message>
   <location filename="../../ui/stations/stage/targets.py" />
   <source>Let be</source>
   <translation>Lassen</translation>
  </message>
  <message>
   <location filename="../../ui/stations/stage/window.py" />
   <source>{name}: Stage - Grebe</source>
   <translation>{name}: Stage - Grebe</translation>
  </message>
  <message>
   <location filename="../../ui/stations/sync/canvas.py" />
   <source>no beats yet</source>
   <translation>noch keine Schläge</translation>
  </message>
  <message>
   <location filename="../../ui/stations/sync/canvas.py" />
   <source>good</source>
   <translation>gut</translation>
  </message>
  <message>
   <location filename="../../ui/stations/sync/canvas.py" />
   <source>late: one number mends it</source>
   <translation>spät: eine Zahl behebt es</translation>
  </message>
  <message>
   <location filename="../../ui/stations/sync/canvas.py" />
   <source>early: one number mends it</source>
   <translation>früh: eine Zahl behebt es</translation>
  </message>
  <message>
   <location filename="../../ui/stations/sync/canvas.py" />
   <source>drifts: not on the clock</source>
   <translation>driftet: nicht an der Clock</translation>
  </message>
  <message>
   <location filename="../../ui/stations/sync/canvas.py" />
   <source>unsteady</source>
   <translation>unruhig</translation>
  </message>
  <message>
   <location filename="../../ui/stations/sync/canvas.py" />
   <source>waver</source>
   <translation>Schwanken</translation>
  </message>
  <message>
   <location filename="../../ui/stations/sync/canvas.py" />
   <source>p95 ms</source>
   <translation>p95 ms</translation>
  </message>
  <message>
   <location filename="../../ui/stations/sync/canvas.py" />
   <source>drift</source>
   <translation>Drift</translation>
  </message>
  <message>
   <location filename="../../ui/stations/sync/canvas.py" />
   <source>ms a min</source>
   <translation>ms je min</translation>
  </message>
  <message>
   <location filename="../../ui/stations/sync/canvas.py" />
   <source>set</source>
   <translation>stellen</translation>
  </message>
  <message>
   <location filename="../../ui/stations/sync/canvas.py" />
   <source>Strips of all devices</source>
   <translation>Streifen aller Geräte</translation>
  </message>
  <message>
   <location filename="../../ui/stations/sync/canvas.py" />
   <source>{drift:+.0f} ms a min</source>
   <translation>{drift:+.0f} ms/min</translation>
  </message>
  <message>
   <location filename="../../ui/stations/sync/canvas.py" />
   <source>{late:+.2f} ms, {back} beats ago</source>
   <translation>{late:+.2f} ms, vor {back} Schlägen</translation>
  </message>
  <message>
   <location filename="../../ui/stations/sync/canvas.py" />
   <source>verdict</source>
   <translation>Urteil</translation>
  </message>
  <message>
   <location filename="../../ui/stations/sync/canvas.py" />
   <source>{back} beats ago</source>
   <translation>vor {back} Schlägen</translation>
  </message>
  <message>
   <location filename="../../ui/stations/sync/canvas.py" />
   <source>the last beats</source>
   <translation>die letzten Schläge</translation>
  </message>
  <message>
   <location filename="../../ui/stations/sync/canvas.py" />
   <source>No boxes yet: the Rig adds them.</source>
   <translation>Noch keine Geräte: das Rig fügt sie hinzu.</translation>
  </message>
  <message>
   <location filename="../../ui/stations/sync/canvas.py" />
   <source>gets pulses; not heard</source>
   <translation>bekommt Pulse; nicht gehört</translation>
  </message>
  <message>
   <location filename="../../ui/stations/sync/canvas.py" />
   <source>not reached by Grebe</source>
   <translation>von Grebe nicht erreicht</translation>
  </message>
  <message>
   <location filename="../../ui/stations/sync/canvas.py" />
   <source> {signed} ms</source>
   <translation> {signed} ms</translation>
  </message>
  <message>
   <location filename="../../ui/stations/sync/canvas.py" />
   <source>in the session{late}</source>
   <translation>in der Sitzung{late}</translation>
  </message>
  <message>
   <location filename="../../ui/stations/sync/check.py" />
   <source>{now} ms, was {before}</source>
   <translation>{now} ms, war {before}</translation>
  </message>
  <message>
   <location filename="../../ui/stations/sync/check.py" />
   <source>{bars_heard:.0f} of {bars}</source>
   <translation>{bars_heard:.0f} von {bars}</translation>
  </message>
  <message>
   <location filename="../../ui/stations/sync/check.py" />
   <source>Checked</source>
   <translation>Geprüft</translation>
  </message>
  <message>
   <location filename="../../ui/stations/sync/check.py" />
   <source>Sure</source>
   <translation>Sicher</translation>
  </message>
  <message>
   <location filename="../../ui/stations/sync/check.py" />
   <source>At this tempo {noticed_ms:.0f} ms between steps are noticed.</source>
   <translation>Bei diesem Tempo fallen {noticed_ms:.0f} ms zwischen Schritten auf.</translation>
  </message>
  <message>
   <location filename="../../ui/stations/sync/check.py" />
   <source>{at:%H:%M}, {bpm:.2f} BPM, by its {heed}.</source>
   <translation>{at:%H:%M}, {bpm:.2f} BPM, nach seinem {heed}.</translation>
  </message>
  <message>
   <location filename="../../ui/stations/sync/check.py" />
   <source>Waver p95</source>
   <translation>Schwanken p95</translation>
  </message>
  <message>
   <location filename="../../ui/stations/sync/check.py" />
   <source>{drift:+.1f} ms a minute</source>
   <translation>{drift:+.1f} ms je Minute</translation>
  </message>
  <message>
   <location filename="../../ui/stations/sync/check.py" />
   <source>Its tempo</source>
   <translation>Sein Tempo</translation>
  </message>
  <message>
   <location filename="../../ui/stations/sync/check.py" />
   <source>It wavers</source>
   <translation>Es schwankt</translation>
  </message>
  <message>
   <location filename="../../ui/stations/sync/check.py" />
   <source>{heard_jitter_ms:.2f} ms</source>
   <translation>{heard_jitter_ms:.2f} ms</translation>
  </message>
  <message>
   <location filename="../../ui/stations/sync/check.py" />
   <source>Listening</source>
   <translation>Hört zu</translation>
  </message>
  <message>
   <location filename="../../ui/stations/sync/check.py" />
   <source>So far</source>
   <translation>Bisher</translation>
  </message>
  <message>
   <location filename="../../ui/stations/sync/check.py" />
   <source>Esc gives up.</source>
   <translation>Esc gibt auf.</translation>
  </message>
  <message>
   <location filename="../../ui/stations/sync/check.py" />
   <source>{check} checks it, {check_all} all boxes.</source>
   <translation>{check} prüft es, {check_all} alle Geräte.</translation>
  </message>
  <message>
   <location filename="../../ui/stations/sync/check.py" />
   <source>Enter sets it to {set_ms:+.1f} ms.</source>
   <translation>Enter stellt es auf {set_ms:+.1f} ms.</translation>
  </message>
  <message>
   <location filename="../../ui/stations/sync/check.py" />
   <source>That is {offset_words}.</source>
   <translation>Das sind {offset_words}.</translation>
  </message>
  <message>
   <location filename="../../ui/stations/sync/check.py" />
   <source>{low:+.2f} to {high:+.2f} ms</source>
   <translation>{low:+.2f} bis {high:+.2f} ms</translation>
  </message>
  <message>
   <location filename="../../ui/stations/sync/check.py" />
   <source>Missed</source>
   <translation>Verpasst</translation>
  </message>
  <message>
   <location filename="../../ui/stations/sync/check.py" />
   <source>{missed}, {extra} extra</source>
   <translation>{missed}, {extra} zu viel</translation>
  </message>
  <message>
   <location filename="../../ui/stations/sync/check.py" />
   <source>Nothing is heard of {name}'s clock.</source>
   <translation>Von der Clock von {name} ist nichts zu hören.</translation>
  </message>
  <message>
   <location filename="../../ui/stations/sync/check.py" />
   <source>Lost: its last tempo is held.</source>
   <translation>Verloren: ihr letztes Tempo wird gehalten.</translation>
  </message>
  <message>
   <location filename="../../ui/stations/sync/check.py" />
   <source>Off by</source>
   <translation>Daneben um</translation>
  </message>
  <message>
   <location filename="../../ui/stations/sync/checks.py" />
   <source>Measure a recording</source>
   <translation>Eine Aufnahme messen</translation>
  </message>
  <message>
   <location filename="../../ui/stations/sync/checks.py" />
   <source>Recordings ({kinds})</source>
   <translation>Aufnahmen ({kinds})</translation>
  </message>
  <message>
   <location filename="../../ui/stations/sync/checks.py" />
   <source>Heard</source>
   <translation>Gehört</translation>
  </message>
  <message>
   <location filename="../../ui/stations/sync/checks.py" />
   <source>Reference</source>
   <translation>Referenz</translation>
  </message>
  <message>
   <location filename="../../ui/stations/sync/checks.py" />
   <source>Esc puts it away.</source>
   <translation>Esc legt es weg.</translation>
  </message>
  <message>
   <location filename="../../ui/stations/sync/computers.py" />
   <source>{peers} is {joining} {session}: {others}, {bpm:.2f} BPM.</source>
   <translation>{peers} ist {joining} {session}: {others}, {bpm:.2f} BPM.</translation>
  </message>
  <message>
   <location filename="../../ui/stations/sync/computers.py" />
   <source>apart</source>
   <translation>Abstand</translation>
  </message>
  <message>
   <location filename="../../ui/stations/sync/computers.py" />
   <source>sure to</source>
   <translation>sicher auf</translation>
  </message>
  <message>
   <location filename="../../ui/stations/sync/computers.py" />
   <source>round trip</source>
   <translation>hin und zurück</translation>
  </message>
  <message>
   <location filename="../../ui/stations/sync/computers.py" />
   <source>lost</source>
   <translation>verloren</translation>
  </message>
  <message>
   <location filename="../../ui/stations/sync/computers.py" />
   <source>Several computers, one beat. Off until {session}.</source>
   <translation>Mehrere Computer, ein Schlag. Aus, bis {session}.</translation>
  </message>
  <message>
   <location filename="../../ui/stations/sync/computers.py" />
   <source>The network is being started.</source>
   <translation>Das Netz wird gestartet.</translation>
  </message>
  <message>
   <location filename="../../ui/stations/sync/computers.py" />
   <source>Listening for {session} on the network.</source>
   <translation>Lauscht im Netz nach {session}.</translation>
  </message>
  <message>
   <location filename="../../ui/stations/sync/computers.py" />
   <source>other computer</source>
   <translation>anderer Computer</translation>
  </message>
  <message>
   <location filename="../../ui/stations/sync/computers.py" />
   <source>other computers</source>
   <translation>andere Computer</translation>
  </message>
  <message>
   <location filename="../../ui/stations/sync/computers.py" />
   <source>nobody else yet</source>
   <translation>noch niemand sonst</translation>
  </message>
  <message>
   <location filename="../../ui/stations/sync/computers.py" />
   <source>joining</source>
   <translation>auf dem Weg in</translation>
  </message>
  <message>
   <location filename="../../ui/stations/sync/computers.py" />
   <source>in</source>
   <translation>in</translation>
  </message>
  <message>
   <location filename="../../ui/stations/sync/computers.py" />
   <source>Without a passphrase its tempo and starts wait: {set_offset} accepts it.</source>
   <translation>Ohne Passwort warten sein Tempo und seine Starts: {set_offset} nimmt es an.</translation>
  </message>
  <message>
   <location filename="../../ui/stations/sync/computers.py" />
   <source>Other computers</source>
   <translation>Andere Computer</translation>
  </message>
  <message>
   <location filename="../../ui/stations/sync/computers.py" />
   <source>{session} joins the session; it is off until then.</source>
   <translation>{session} tritt der Sitzung bei; bis dahin ist sie aus.</translation>
  </message>
  <message>
   <location filename="../../ui/stations/sync/computers.py" />
   <source>Address</source>
   <translation>Adresse</translation>
  </message>
  <message>
   <location filename="../../ui/stations/sync/computers.py" />
   <source>Round trip</source>
   <translation>Hin und zurück</translation>
  </message>
  <message>
   <location filename="../../ui/stations/sync/computers.py" />
   <source>{delay_ms:.1f} ms</source>
   <translation>{delay_ms:.1f} ms</translation>
  </message>
  <message>
   <location filename="../../ui/stations/sync/computers.py" />
   <source>OSC</source>
   <translation>OSC</translation>
  </message>
  <message>
   <location filename="../../ui/stations/sync/computers.py" />
   <source>Heard from</source>
   <translation>Gehört von</translation>
  </message>
  <message>
   <location filename="../../ui/stations/sync/computers.py" />
   <source>Told</source>
   <translation>Gesagt</translation>
  </message>
  <message>
   <location filename="../../ui/stations/sync/computers.py" />
   <source>client</source>
   <translation>Client</translation>
  </message>
  <message>
   <location filename="../../ui/stations/sync/computers.py" />
   <source>clients</source>
   <translation>Clients</translation>
  </message>
  <message>
   <location filename="../../ui/stations/sync/computers.py" />
   <source>Standing</source>
   <translation>Stand</translation>
  </message>
  <message>
   <location filename="../../ui/stations/sync/computers.py" />
   <source>Apart</source>
   <translation>Abstand</translation>
  </message>
  <message>
   <location filename="../../ui/stations/sync/computers.py" />
   <source>Delay</source>
   <translation>Verzögerung</translation>
  </message>
  <message>
   <location filename="../../ui/stations/sync/computers.py" />
   <source>Nobody else is there yet.</source>
   <translation>Noch ist niemand sonst da.</translation>
  </message>
  <message>
   <location filename="../../ui/stations/sync/computers.py" />
   <source>Who joins is heard of within two seconds.</source>
   <translation>Wer beitritt, ist binnen zwei Sekunden zu hören.</translation>
  </message>
  <message>
   <location filename="../../ui/stations/sync/computers.py" />
   <source>another session of this name</source>
   <translation>eine andere Sitzung dieses Namens</translation>
  </message>
  <message>
   <location filename="../../ui/stations/sync/computers.py" />
   <source>asks for {asks_bpm:g} BPM</source>
   <translation>bittet um {asks_bpm:g} BPM</translation>
  </message>
  <message>
   <location filename="../../ui/stations/sync/computers.py" />
   <source>not accepted yet</source>
   <translation>noch nicht angenommen</translation>
  </message>
  <message>
   <location filename="../../ui/stations/sync/computers.py" />
   <source>at another tempo</source>
   <translation>in einem anderen Tempo</translation>
  </message>
  <message>
   <location filename="../../ui/stations/sync/computers.py" />
   <source>keeps the time</source>
   <translation>hält die Zeit</translation>
  </message>
  <message>
   <location filename="../../ui/stations/sync/computers.py" />
   <source>together</source>
   <translation>zusammen</translation>
  </message>
  <message>
   <location filename="../../ui/stations/sync/computers.py" />
   <source>Joining</source>
   <translation>Beitritt</translation>
  </message>
  <message>
   <location filename="../../ui/stations/sync/computers.py" />
   <source>The session</source>
   <translation>Die Sitzung</translation>
  </message>
  <message>
   <location filename="../../ui/stations/sync/computers.py" />
   <source>On the one of</source>
   <translation>Auf der Eins von</translation>
  </message>
  <message>
   <location filename="../../ui/stations/sync/computers.py" />
   <source>Our time</source>
   <translation>Unsere Zeit</translation>
  </message>
  <message>
   <location filename="../../ui/stations/sync/computers.py" />
   <source>sure to {spread_ms:.2f} ms</source>
   <translation>sicher auf {spread_ms:.2f} ms</translation>
  </message>
  <message>
   <location filename="../../ui/stations/sync/computers.py" />
   <source>Its beat</source>
   <translation>Sein Schlag</translation>
  </message>
  <message>
   <location filename="../../ui/stations/sync/computers.py" />
   <source>{signed} ms</source>
   <translation>{signed} ms</translation>
  </message>
  <message>
   <location filename="../../ui/stations/sync/computers.py" />
   <source>Sure to</source>
   <translation>Sicher auf</translation>
  </message>
  <message>
   <location filename="../../ui/stations/sync/computers.py" />
   <source>{spread_ms:.2f} ms</source>
   <translation>{spread_ms:.2f} ms</translation>
  </message>
  <message>
   <location filename="../../ui/stations/sync/computers.py" />
   <source>It came first: its clock is gone by.</source>
   <translation>Es kam zuerst: nach seiner Uhr geht es.</translation>
  </message>
  <message>
   <location filename="../../ui/stations/sync/computers.py" />
   <source>this computer</source>
   <translation>dieser Computer</translation>
  </message>
  <message>
   <location filename="../../ui/stations/sync/computers.py" />
   <source>Refused</source>
   <translation>Abgelehnt</translation>
  </message>
  <message>
   <location filename="../../ui/stations/sync/computers.py" />
   <source>stopped</source>
   <translation>angehalten</translation>
  </message>
  <message>
   <location filename="../../ui/stations/sync/computers.py" />
   <source>Passphrase</source>
   <translation>Passwort</translation>
  </message>
  <message>
   <location filename="../../ui/stations/sync/computers.py" />
   <source>Dropped</source>
   <translation>Verworfen</translation>
  </message>
  <message>
   <location filename="../../ui/stations/sync/facts.py" />
   <source>tick</source>
   <translation>Tick</translation>
  </message>
  <message>
   <location filename="../../ui/stations/sync/facts.py" />
   <source>ticks</source>
   <translation>Ticks</translation>
  </message>
  <message>
   <location filename="../../ui/stations/sync/facts.py" />
   <source>as it says itself</source>
   <translation>wie es selbst sagt</translation>
  </message>
  <message>
   <location filename="../../ui/stations/sync/facts.py" />
   <source>as Grebe sent it</source>
   <translation>wie Grebe es gesendet hat</translation>
  </message>
  <message>
   <location filename="../../ui/stations/sync/facts.py" />
   <source>It sounds, and has no moment: nothing begins fast enough in it to say when. Give it a short sound to be measured.</source>
   <translation>Es klingt und hat keinen Moment: nichts darin beginnt schnell genug, um zu sagen wann. Zum Messen einen kurzen Klang wählen.</translation>
  </message>
  <message>
   <location filename="../../ui/stations/sync/facts.py" />
   <source>{late:.2f} ms of the interface are taken off.</source>
   <translation>{late:.2f} ms des Interface sind abgezogen.</translation>
  </message>
  <message>
   <location filename="../../ui/stations/sync/facts.py" />
   <source>What the interface takes is not taken off: a loop of cable measures it.</source>
   <translation>Was das Interface braucht, ist nicht abgezogen: eine Kabelschleife misst es.</translation>
  </message>
  <message>
   <location filename="../../ui/stations/sync/facts.py" />
   <source>Offset set</source>
   <translation>Versatz gesetzt</translation>
  </message>
  <message>
   <location filename="../../ui/stations/sync/facts.py" />
   <source>{offset_ms:+.1f} ms</source>
   <translation>{offset_ms:+.1f} ms</translation>
  </message>
  <message>
   <location filename="../../ui/stations/sync/facts.py" />
   <source>Measured {where}, over {ticks}.</source>
   <translation>Gemessen {where}, über {ticks}.</translation>
  </message>
  <message>
   <location filename="../../ui/stations/sync/facts.py" />
   <source>By ear</source>
   <translation>Nach Gehör</translation>
  </message>
  <message>
   <location filename="../../ui/stations/sync/facts.py" />
   <source>Sound {number}</source>
   <translation>Klang {number}</translation>
  </message>
  <message>
   <location filename="../../ui/stations/sync/facts.py" />
   <source>{late:+.2f} ms, {hits}</source>
   <translation>{late:+.2f} ms, {hits}</translation>
  </message>
  <message>
   <location filename="../../ui/stations/sync/facts.py" />
   <source>Comes</source>
   <translation>Kommt</translation>
  </message>
  <message>
   <location filename="../../ui/stations/sync/facts.py" />
   <source>{set_offset} sets it to {set_ms:+.1f} ms.</source>
   <translation>{set_offset} stellt es auf {set_ms:+.1f} ms.</translation>
  </message>
  <message>
   <location filename="../../ui/stations/sync/facts.py" />
   <source>By MIDI</source>
   <translation>Nach MIDI</translation>
  </message>
  <message>
   <location filename="../../ui/stations/sync/facts.py" />
   <source>{low:+.1f} to {high:+.1f} ms</source>
   <translation>{low:+.1f} bis {high:+.1f} ms</translation>
  </message>
  <message>
   <location filename="../../ui/stations/sync/facts.py" />
   <source>Wavers</source>
   <translation>Schwankt</translation>
  </message>
  <message>
   <location filename="../../ui/stations/sync/facts.py" />
   <source>{spread:.1f} ms, {hits}</source>
   <translation>{spread:.1f} ms, {hits}</translation>
  </message>
  <message>
   <location filename="../../ui/stations/sync/facts.py" />
   <source>{take_habit} takes it off when a foot closes a loop.</source>
   <translation>{take_habit} zieht sie ab, wenn ein Fuß einen Loop schließt.</translation>
  </message>
  <message>
   <location filename="../../ui/stations/sync/facts.py" />
   <source>No one number mends drift: it is not on the clock.</source>
   <translation>Keine einzelne Zahl behebt Drift: es hängt nicht an der Clock.</translation>
  </message>
  <message>
   <location filename="../../ui/stations/sync/facts.py" />
   <source>hit</source>
   <translation>Schlag</translation>
  </message>
  <message>
   <location filename="../../ui/stations/sync/facts.py" />
   <source>hits</source>
   <translation>Schläge</translation>
  </message>
  <message>
   <location filename="../../ui/stations/sync/facts.py" />
   <source>{words}: {hits}, a few more.</source>
   <translation>{words}: {hits}, noch ein paar.</translation>
  </message>
  <message>
   <location filename="../../ui/stations/sync/probe.py" />
   <source>{probe_take} takes this over: an edit like any other.</source>
   <translation>{probe_take} übernimmt das: eine Änderung wie jede andere.</translation>
  </message>
  <message>
   <location filename="../../ui/stations/sync/probe.py" />
   <source>It is probed. Esc stops at once, with nothing left sounding.</source>
   <translation>Es wird ausgeforscht. Esc hält sofort an, und nichts klingt weiter.</translation>
  </message>
  <message>
   <location filename="../../ui/stations/sync/probe.py" />
   <source>It waits for your answer.</source>
   <translation>Es wartet auf eine Antwort.</translation>
  </message>
  <message>
   <location filename="../../ui/stations/sync/probe.py" />
   <source>Stopped. {probe_it} takes it up where it was.</source>
   <translation>Angehalten. {probe_it} nimmt es dort wieder auf.</translation>
  </message>
  <message>
   <location filename="../../ui/stations/sync/probe.py" />
   <source>Lost: {why}. {probe_it} takes it up.</source>
   <translation>Abgebrochen: {why}. {probe_it} nimmt es wieder auf.</translation>
  </message>
  <message>
   <location filename="../../ui/stations/sync/probe.py" />
   <source>Probed to the end. {probe_it} begins anew.</source>
   <translation>Bis zum Ende ausgeforscht. {probe_it} beginnt von vorn.</translation>
  </message>
  <message>
   <location filename="../../ui/stations/sync/probe.py" />
   <source>{after} (was {before}){sure}</source>
   <translation>{after} (war {before}){sure}</translation>
  </message>
  <message>
   <location filename="../../ui/stations/sync/probe.py" />
   <source>{number} of {all}, {title}.</source>
   <translation>{number} von {all}, {title}.</translation>
  </message>
  <message>
   <location filename="../../ui/stations/sync/probe.py" />
   <source>Cannot say</source>
   <translation>Nicht zu sagen</translation>
  </message>
  <message>
   <location filename="../../ui/stations/sync/probe.py" />
   <source>Stages of the probe</source>
   <translation>Stufen des Ausforschens</translation>
  </message>
  <message>
   <location filename="../../ui/stations/sync/probe.py" />
   <source>to come</source>
   <translation>kommt noch</translation>
  </message>
  <message>
   <location filename="../../ui/stations/sync/probe.py" />
   <source>left out</source>
   <translation>ausgelassen</translation>
  </message>
  <message>
   <location filename="../../ui/stations/sync/probe.py" />
   <source>done</source>
   <translation>getan</translation>
  </message>
  <message>
   <location filename="../../ui/stations/sync/probe.py" />
   <source>, {sure:.1f} % sure</source>
   <translation>, {sure:.1f} % sicher</translation>
  </message>
  <message>
   <location filename="../../ui/stations/sync/probe.py" />
   <source>It is otherwise</source>
   <translation>Es ist anders</translation>
  </message>
  <message>
   <location filename="../../ui/stations/sync/probe.py" />
   <source>What does this box obey, and how late is it? From silent to loud.</source>
   <translation>Was befolgt dieses Gerät, und wie spät ist es? Von still bis laut.</translation>
  </message>
  <message>
   <location filename="../../ui/stations/sync/probe.py" />
   <source>Probed to the end.</source>
   <translation>Bis zum Ende ausgeforscht.</translation>
  </message>
  <message>
   <location filename="../../ui/stations/sync/probe.py" />
   <source>Stopped at {stage}</source>
   <translation>Angehalten bei {stage}</translation>
  </message>
  <message>
   <location filename="../../ui/stations/sync/probe.py" />
   <source>{device} is what was heard of it: {changes}.</source>
   <translation>{device} ist nun, was zu hören war: {changes}.</translation>
  </message>
  <message>
   <location filename="../../ui/stations/sync/probe.py" />
   <source>State</source>
   <translation>Stand</translation>
  </message>
  <message>
   <location filename="../../ui/stations/sync/probe.py" />
   <source>asks</source>
   <translation>fragt</translation>
  </message>
  <message>
   <location filename="../../ui/stations/sync/probe.py" />
   <source>nothing to try</source>
   <translation>nichts zu versuchen</translation>
  </message>
  <message>
   <location filename="../../ui/stations/sync/probe.py" />
   <source>Waits for an answer, above.</source>
   <translation>Wartet auf eine Antwort, oben.</translation>
  </message>
  <message>
   <location filename="../../ui/stations/sync/probe.py" />
   <source>Probe</source>
   <translation>Ausforschen</translation>
  </message>
  <message>
   <location filename="../../ui/stations/sync/probe.py" />
   <source>There is no box yet: the Rig adds one.</source>
   <translation>Noch kein Gerät: das Rig fügt eines hinzu.</translation>
  </message>
  <message>
   <location filename="../../ui/stations/sync/probe.py" />
   <source>Finds out what it obeys and how late it is, by sending and listening: from silent to loud, in about a minute and a half.</source>
   <translation>Findet durch Senden und Hören heraus, was es befolgt und wie spät es ist: von still bis laut, in etwa eineinhalb Minuten.</translation>
  </message>
  <message>
   <location filename="../../ui/stations/sync/probe.py" />
   <source>Before anything is sent, and before each kind of thing that sounds, you are asked.</source>
   <translation>Bevor etwas gesendet wird, und vor jeder Art von Klang, wird gefragt.</translation>
  </message>
  <message>
   <location filename="../../ui/stations/sync/probe.py" />
   <source>{probe_it} begins.</source>
   <translation>{probe_it} beginnt.</translation>
  </message>
  <message>
   <location filename="../../ui/stations/sync/probe.py" />
   <source>Not heard</source>
   <translation>Nicht gehört</translation>
  </message>
  <message>
   <location filename="../../ui/stations/sync/probe.py" />
   <source>These stay as they were: {names}.</source>
   <translation>Das bleibt, wie es war: {names}.</translation>
  </message>
  <message>
   <location filename="../../ui/stations/sync/probe.py" />
   <source>The box is as its profile says.</source>
   <translation>Das Gerät ist, wie sein Profil sagt.</translation>
  </message>
  <message>
   <location filename="../../ui/stations/sync/probe.py" />
   <source>Nothing has been tried here.</source>
   <translation>Hier wurde nichts versucht.</translation>
  </message>
  <message>
   <location filename="../../ui/stations/sync/probe.py" />
   <source>Nothing is asked just now.</source>
   <translation>Gerade wird nichts gefragt.</translation>
  </message>
  <message>
   <location filename="../../ui/stations/sync/probe.py" />
   <source>It is a stand-in: it is probed eight times as fast, and hears itself perfectly.</source>
   <translation>Es ist ein Stellvertreter: er wird achtmal so schnell ausgeforscht und hört sich selbst vollkommen.</translation>
  </message>
  <message>
   <location filename="../../ui/stations/sync/probe.py" />
   <source>Left out: you said no.</source>
   <translation>Ausgelassen: die Antwort war nein.</translation>
  </message>
  <message>
   <location filename="../../ui/stations/sync/probe.py" />
   <source>It could not be told.</source>
   <translation>Das war nicht zu sagen.</translation>
  </message>
  <message>
   <location filename="../../ui/stations/sync/probe.py" />
   <source>Came back</source>
   <translation>Zurück kam</translation>
  </message>
  <message>
   <location filename="../../ui/stations/sync/recording.py" />
   <source>{name} could not be measured.</source>
   <translation>{name} ließ sich nicht messen.</translation>
  </message>
  <message>
   <location filename="../../ui/stations/sync/tempo.py" />
   <source>Tempo in BPM</source>
   <translation>Tempo in BPM</translation>
  </message>
  <message>
   <location filename="../../ui/stations/sync/tempo.py" />
   <source> bars</source>
   <translation> Takte</translation>
  </message>
  <message>
   <location filename="../../ui/stations/sync/tempo.py" />
   <source>next beat</source>
   <translation>nächster Schlag</translation>
  </message>
  <message>
   <location filename="../../ui/stations/sync/tempo.py" />
   <source>Over how many bars</source>
   <translation>Über wie viele Takte</translation>
  </message>
  <message>
   <location filename="../../ui/stations/sync/tempo.py" />
   <source>Over</source>
   <translation>Über</translation>
  </message>
  <message>
   <location filename="../../ui/stations/sync/view.py" />
   <source>Computers</source>
   <translation>Computer</translation>
  </message>
  <message>
   <location filename="../../ui/stations/sync/view.py" />
   <source>We are</source>
   <translation>Wir sind</translation>
  </message>
  <message>
   <location filename="../../ui/stations/sync/view.py" />
   <source>One every</source>
   <translation>Eines je</translation>
  </message>
  <message>
   <location filename="../../ui/stations/sync/view.py" />
   <source>Our stage</source>
   <translation>Unsere Bühne</translation>
  </message>
  <message>
   <location filename="../../ui/stations/sync/view.py" />
   <source>Addresses</source>
   <translation>Adressen</translation>
  </message>
  <message>
   <location filename="../../ui/stations/sync/view.py" />
   <source>May ask, besides us</source>
   <translation>Dürfen fragen, außer uns</translation>
  </message>
  <message>
   <location filename="../../ui/stations/sync/view.py" />
   <source>Always told</source>
   <translation>Immer gesagt</translation>
  </message>
  <message>
   <location filename="../../ui/stations/sync/view.py" />
   <source>Times a second</source>
   <translation>Mal je Sekunde</translation>
  </message>
  <message>
   <location filename="../../ui/stations/sync/view.py" />
   <source>The last beats{at}. Up is early, down is late. {good} of {count} are good.</source>
   <translation>Die letzten Schläge{at}. Oben ist früh, unten ist spät. {good} von {count} sind gut.</translation>
  </message>
  <message>
   <location filename="../../ui/stations/sync/view.py" />
   <source>Sync</source>
   <translation>Sync</translation>
  </message>
  <message>
   <location filename="../../ui/stations/sync/view.py" />
   <source>Run, and every beat of every box stands here. Up is early, down is late.</source>
   <translation>Los, und jeder Schlag jedes Geräts steht hier. Oben ist früh, unten ist spät.</translation>
  </message>
  <message>
   <location filename="../../ui/stations/sync/view.py" />
   <source> at {bpm:.2f} BPM</source>
   <translation> bei {bpm:.2f} BPM</translation>
  </message>
  <message>
   <location filename="../../ui/stations/sync/view.py" />
   <source>Written down: {sentence}</source>
   <translation>Notiert: {sentence}</translation>
  </message>
  <message>
   <location filename="../../ui/stations/sync/view.py" />
   <source>{device} is sent {held:+.1f} ms from now on.</source>
   <translation>{device} bekommt von jetzt an {held:+.1f} ms.</translation>
  </message>
  <message>
   <location filename="../../ui/stations/sync/view.py" />
   <source>no computer here shows its stage</source>
   <translation>kein Computer hier zeigt seine Bühne</translation>
  </message>
  <message>
   <location filename="../../ui/stations/sync/view.py" />
   <source>The clock</source>
   <translation>Die Clock</translation>
  </message>
  <message>
   <location filename="../../ui/stations/sync/view.py" />
   <source>Leads</source>
   <translation>Führt</translation>
  </message>
  <message>
   <location filename="../../ui/stations/sync/view.py" />
   <source>It has not been checked by ear yet.</source>
   <translation>Es wurde noch nicht nach Gehör geprüft.</translation>
  </message>
  <message>
   <location filename="../../ui/stations/sync/view.py" />
   <source>{device} needs no other offset.</source>
   <translation>{device} braucht keinen anderen Versatz.</translation>
  </message>
  <message>
   <location filename="../../ui/stations/sync/view.py" />
   <source>Nobody waits to be accepted.</source>
   <translation>Niemand wartet darauf, angenommen zu werden.</translation>
  </message>
  <message>
   <location filename="../../ui/stations/tools/view.py" />
   <source>Tools</source>
   <translation>Werkzeug</translation>
  </message>
  <message>
   <location filename="../../ui/stations/tools/view.py" />
   <source>Note to be used</source>
   <translation>Note, die gilt</translation>
  </message>
  <message>
   <location filename="../../ui/stations/tools/view.py" />
   <source>Answer</source>
   <translation>Antwort</translation>
  </message>
  <message>
   <location filename="../../ui/stations/tools/view.py" />
   <source>this answer has no place of its own: copy it</source>
   <translation>diese Antwort hat keinen eigenen Ort: kopiere sie</translation>
  </message>
  <message>
   <location filename="../../ui/stations/tools/view.py" />
   <source>Copied.</source>
   <translation>Kopiert.</translation>
  </message>
  <message>
   <location filename="../../ui/widgets/controls.py" />
   <source>Parts</source>
   <translation>Teile</translation>
  </message>
  <message>
   <location filename="../../ui/widgets/fields.py" />
   <source>{what}: one more</source>
   <translation>{what}: eines mehr</translation>
  </message>
  <message>
   <location filename="../../ui/widgets/fields.py" />
   <source>{what}: one after another</source>
   <translation>{what}: eines nach dem anderen</translation>
  </message>
  <message>
   <location filename="../../ui/widgets/fields.py" />
   <source>Out</source>
   <translation>Heraus</translation>
  </message>
  <message>
   <location filename="../../ui/widgets/fields.py" />
   <source>Takes out the one in hand; Delete does too</source>
   <translation>Nimmt das in der Hand heraus; Entf auch</translation>
  </message>
  <message>
   <location filename="../../ui/widgets/fields.py" />
   <source>A controller more</source>
   <translation>Ein Controller mehr</translation>
  </message>
  <message>
   <location filename="../../ui/widgets/fields.py" />
   <source>a controller more</source>
   <translation>ein Controller mehr</translation>
  </message>
  <message>
   <location filename="../../ui/widgets/findings.py" />
   <source>stops you</source>
   <translation>stoppt dich</translation>
  </message>
  <message>
   <location filename="../../ui/widgets/findings.py" />
   <source>look</source>
   <translation>ansehen</translation>
  </message>
  <message>
   <location filename="../../ui/widgets/findings.py" />
   <source>note##a finding</source>
   <translation>Hinweis</translation>
  </message>
  <message>
   <location filename="../../ui/widgets/findings.py" />
   <source>stop you</source>
   <translation>stoppen dich</translation>
  </message>
  <message>
   <location filename="../../ui/widgets/findings.py" />
   <source>to look at</source>
   <translation>anzusehen</translation>
  </message>
  <message>
   <location filename="../../ui/widgets/findings.py" />
   <source>notes##findings</source>
   <translation>Hinweise</translation>
  </message>
  <message>
   <location filename="../../ui/widgets/findings.py" />
   <source>Findings</source>
   <translation>Befunde</translation>
  </message>
  <message>
   <location filename="../../ui/widgets/findings.py" />
   <source>Intended</source>
   <translation>Gewollt</translation>
  </message>
  <message>
   <location filename="../../ui/widgets/findings.py" />
   <source>What is wrong</source>
   <translation>Was nicht stimmt</translation>
  </message>
  <message>
   <location filename="../../ui/widgets/findings.py" />
   <source>Why, and what to do</source>
   <translation>Warum, und was zu tun ist</translation>
  </message>
  <message>
   <location filename="../../ui/widgets/findings.py" />
   <source>{quiet} intended</source>
   <translation>{quiet} beabsichtigt</translation>
  </message>
  <message>
   <location filename="../../ui/widgets/findings.py" />
   <source>Nothing to look at.</source>
   <translation>Nichts anzusehen.</translation>
  </message>
  <message>
   <location filename="../../ui/widgets/findings.py" />
   <source>Hear it again</source>
   <translation>Noch einmal hören</translation>
  </message>
  <message>
   <location filename="../../ui/widgets/findings.py" />
   <source>Mend</source>
   <translation>Beheben</translation>
  </message>
  <message>
   <location filename="../../ui/widgets/form.py" />
   <source>none there</source>
   <translation>keine da</translation>
  </message>
  <message>
   <location filename="../../ui/widgets/formatting.py" />
   <source>{value:.1f} ms {what}</source>
   <translation>{value:.1f} ms {what}</translation>
  </message>
  <message>
   <location filename="../../ui/widgets/formatting.py" />
   <source>{float:g} quarter notes</source>
   <translation>{float:g} Viertelnoten</translation>
  </message>
  <message>
   <location filename="../../ui/widgets/formatting.py" />
   <source>{minutes} min {rest} s</source>
   <translation>{minutes} min {rest} s</translation>
  </message>
  <message>
   <location filename="../../ui/widgets/guard.py" />
   <source>Touch guard: hold it for half a second. {guard} lets it off.</source>
   <translation>Berührungsschutz: halt es eine halbe Sekunde. {guard} schaltet ihn aus.</translation>
  </message>
  <message>
   <location filename="../../ui/widgets/paper_out.py" />
   <source>Sheets (*.pdf *.html)</source>
   <translation>Blätter (*.pdf *.html)</translation>
  </message>
  <message>
   <location filename="../../ui/widgets/paper_out.py" />
   <source>Sheets and tables (*.pdf *.html *.csv)</source>
   <translation>Blätter und Tabellen (*.pdf *.html *.csv)</translation>
  </message>
  <message>
   <location filename="../../ui/widgets/pattern_strip.py" />
   <source>Patterns by device</source>
   <translation>Patterns nach Gerät</translation>
  </message>
  <message>
   <location filename="../../ui/widgets/pattern_strip.py" />
   <source>{device}, none yet</source>
   <translation>{device}, noch keines</translation>
  </message>
  <message>
   <location filename="../../ui/widgets/printing.py" />
   <source>Print: {title}</source>
   <translation>Drucken: {title}</translation>
  </message>
  <message>
   <location filename="../../ui/widgets/printing.py" />
   <source>The sheet, page by page</source>
   <translation>Das Blatt, Seite für Seite</translation>
  </message>
  <message>
   <location filename="../../ui/widgets/printing.py" />
   <source>As it is printed: {title}</source>
   <translation>Wie es gedruckt wird: {title}</translation>
  </message>
  <message>
   <location filename="../../ui/widgets/printing.py" />
   <source>Larger</source>
   <translation>Größer</translation>
  </message>
  <message>
   <location filename="../../ui/widgets/printing.py" />
   <source>Smaller</source>
   <translation>Kleiner</translation>
  </message>
  <message>
   <location filename="../../ui/widgets/qt_application.py" />
   <source>there is no screen to open a window on. Start it in a desktop session; grebe run plays without one.</source>
   <translation>es gibt keinen Bildschirm, um ein Fenster zu öffnen. Starte es in einer Desktopsitzung; grebe run spielt ohne.</translation>
  </message>
  <message>
   <location filename="../../ui/widgets/qt_application.py" />
   <source>the screen {named} cannot be reached ({value}). Start it in a desktop session, or name another with DISPLAY; grebe run plays without one.</source>
   <translation>der Bildschirm {named} ist nicht zu erreichen ({value}). Starte es in einer Desktopsitzung, oder nenne mit DISPLAY einen anderen; grebe run spielt ohne.</translation>
  </message>
  <message>
   <location filename="../../ui/widgets/qt_application.py" />
   <source>nobody listens there</source>
   <translation>dort hört niemand zu</translation>
  </message>
  <message>
   <location filename="../../formats/templates/card.html" />
   <source>Set to</source>
   <translation>Eingestellt auf</translation>
  </message>
  <message>
   <location filename="../../formats/templates/card.html" />
   <source>Patterns by place</source>
   <translation>Patterns nach Platz</translation>
  </message>
  <message>
   <location filename="../../formats/templates/card.html" />
   <source>and {count} more</source>
   <translation>und {count} weitere</translation>
  </message>
  <message>
   <location filename="../../formats/templates/card.html" />
   <source>Your moves on it</source>
   <translation>Deine Handgriffe daran</translation>
  </message>
  <message>
   <location filename="../../formats/templates/cues.html" />
   <source>More than your hands can make in time</source>
   <translation>Mehr, als deine Hände rechtzeitig schaffen</translation>
  </message>
  <message>
   <location filename="../../formats/templates/programme.html" />
   <source>Changed since printed</source>
   <translation>Seit dem Druck geändert</translation>
  </message>
  <message>
   <location filename="../../formats/templates/programme.html" />
   <source>Does not fit</source>
   <translation>Passt nicht</translation>
  </message>
  <message>
   <location filename="../../formats/templates/programme.html" />
   <source>What helps</source>
   <translation>Was hilft</translation>
  </message>
  <message>
   <location filename="../../formats/templates/programme.html" />
   <source>No box plays in this song.</source>
   <translation>In diesem Song spielt kein Gerät.</translation>
  </message>
  <message>
   <location filename="../../formats/templates/setup.html" />
   <source>Set-up sheet, in the order of a sound check. Clock from {leader}.</source>
   <translation>Einrichtblatt, in der Reihenfolge eines Soundchecks. Clock von {leader}.</translation>
  </message>
  <message>
   <location filename="../../formats/templates/setup.html" />
   <source>Nothing to set.</source>
   <translation>Nichts einzustellen.</translation>
  </message>
  <message>
   <location filename="../../formats/templates/stage.html" />
   <source>If a box goes</source>
   <translation>Fällt ein Gerät aus</translation>
  </message>
  <message>
   <location filename="../../formats/templates/steps.html" />
   <source>Key into {place} of {device}.</source>
   <translation>In {place} von {device} eintippen.</translation>
  </message>
  <message>
   <location filename="../../formats/templates/steps.html" />
   <source>Key into {device}.</source>
   <translation>In {device} eintippen.</translation>
  </message>
  <message>
   <location filename="../../formats/templates/steps.html" />
   <source>Nothing to key in.</source>
   <translation>Nichts einzutippen.</translation>
  </message>
  <message>
   <location filename="../../formats/templates/whatif.html" />
   <source>Without {name}</source>
   <translation>Ohne {name}</translation>
  </message>
  <message>
   <location filename="../../formats/templates/whatif.html" />
   <source>then</source>
   <translation>dann</translation>
  </message>
  <message>
   <location filename="../../formats/templates/whatif.html" />
   <source>Nothing is lost without any of the boxes.</source>
   <translation>Ohne irgendeines der Geräte geht nichts verloren.</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>File</source>
   <translation>Datei</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>Edit</source>
   <translation>Bearbeiten</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>Play</source>
   <translation>Spielen</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>Rig</source>
   <translation>Rig</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>New project</source>
   <translation>Neues Projekt</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>Close the project</source>
   <translation>Das Projekt schließen</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>Save</source>
   <translation>Speichern</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>Save under another name</source>
   <translation>Unter anderem Namen speichern</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>Save a copy, and go on with this one</source>
   <translation>Eine Kopie speichern und hiermit weitermachen</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>Rename the project</source>
   <translation>Das Projekt umbenennen</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>As it was saved last</source>
   <translation>Wie zuletzt gespeichert</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>Take from another project: boxes, patterns, scenes, songs</source>
   <translation>Aus einem anderen Projekt nehmen: Geräte, Patterns, Szenen, Songs</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>Bring in MIDI files: patterns, or a song of several tracks</source>
   <translation>MIDI-Dateien hereinholen: Patterns, oder ein Song aus mehreren Spuren</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>Export the song as a MIDI file</source>
   <translation>Den Song als MIDI-Datei exportieren</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>Print its sheet</source>
   <translation>Sein Blatt drucken</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>See its sheet as it would be printed</source>
   <translation>Das Blatt ansehen, wie es gedruckt würde</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>Write its sheet as PDF or HTML</source>
   <translation>Sein Blatt als PDF oder HTML schreiben</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>Write the cue list</source>
   <translation>Die Einsätze schreiben</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>Write light cues</source>
   <translation>Lichteinsätze schreiben</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>Write tempi and keys for a band</source>
   <translation>Tempi und Tonarten für eine Band schreiben</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>Write the patch list: channels, cables, power</source>
   <translation>Die Steckliste schreiben: Kanäle, Kabel, Strom</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>Write markers and tempo map, as MIDI and as labels</source>
   <translation>Marken und Tempoverlauf schreiben, als MIDI und als Beschriftungen</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>Day or Night</source>
   <translation>Tag oder Nacht</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>Night dimmer, then bright again</source>
   <translation>Nacht dunkler, dann wieder hell</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>Attach to the engine that plays another project</source>
   <translation>An die Engine anschließen, die ein anderes Projekt spielt</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>End the engine</source>
   <translation>Die Engine beenden</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>Close the window; what plays goes on</source>
   <translation>Das Fenster schließen; was spielt, spielt weiter</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>History: every step, and back to any</source>
   <translation>Verlauf: jeder Schritt, und zurück zu jedem</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>Draw a ramp</source>
   <translation>Eine Rampe zeichnen</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>Draw a swing up and down</source>
   <translation>Ein Auf und Ab zeichnen</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>Draw stairs</source>
   <translation>Stufen zeichnen</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>Rename</source>
   <translation>Umbenennen</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>Its settings</source>
   <translation>Seine Einstellungen</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>Mute it, or let it sound</source>
   <translation>Stumm schalten oder klingen lassen</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>One more: a pass, or a beat of silence</source>
   <translation>Eins mehr: ein Durchgang, oder ein Schlag Stille</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>One fewer</source>
   <translation>Eins weniger</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>Higher: velocity, value, bars, energy</source>
   <translation>Höher: Stärke, Wert, Takte, Energie</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>Lower: velocity, value, bars, energy</source>
   <translation>Tiefer: Stärke, Wert, Takte, Energie</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>A little earlier in time</source>
   <translation>Etwas früher in der Zeit</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>A little later in time</source>
   <translation>Etwas später in der Zeit</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>Move it one place earlier</source>
   <translation>Einen Platz nach vorn</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>Move it one place later</source>
   <translation>Einen Platz nach hinten</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>The next one in its place: pattern, scene, song</source>
   <translation>Das nächste an seiner Stelle: Pattern, Szene, Song</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>The one before in its place</source>
   <translation>Das davor an seiner Stelle</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>Select to the left</source>
   <translation>Nach links wählen</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>Select to the right</source>
   <translation>Nach rechts wählen</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>Select upwards</source>
   <translation>Nach oben wählen</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>Select downwards</source>
   <translation>Nach unten wählen</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>Select the row; again: everything</source>
   <translation>Die Zeile wählen; noch einmal: alles</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>Run or stop, from the top of the song</source>
   <translation>Start oder Stopp, vom Anfang des Songs</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>Run from the place selected in Song</source>
   <translation>Start an der Stelle, die im Song gewählt ist</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>Run after a count-in</source>
   <translation>Start nach einem Einzähler</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>Panic: all notes off, then stop (twice within a second)</source>
   <translation>Panik: alle Noten aus, dann Stopp (zweimal in einer Sekunde)</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>Bring it in, at the end of what plays</source>
   <translation>Einsetzen, am Ende dessen, was spielt</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>Launches on the bar, beat or quarter beat</source>
   <translation>Einsätze auf Takt, Schlag oder Viertelschlag</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>Tempo up by 1 BPM, from the next beat</source>
   <translation>Tempo 1 BPM hinauf, ab dem nächsten Schlag</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>Tempo down by 1 BPM</source>
   <translation>Tempo 1 BPM hinunter</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>Tempo up by 0.1 BPM</source>
   <translation>Tempo 0,1 BPM hinauf</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>Tempo down by 0.1 BPM</source>
   <translation>Tempo 0,1 BPM hinunter</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>Type a tempo, to be there at once or over some bars</source>
   <translation>Ein Tempo eingeben, sofort oder über einige Takte</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>Push ahead while held, to catch a box that runs free</source>
   <translation>Vorschieben, solange gehalten, um ein frei laufendes Gerät einzuholen</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>Hold back while held</source>
   <translation>Zurückhalten, solange gehalten</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>Click every beat, or no longer</source>
   <translation>Jeden Schlag klicken, oder nicht mehr</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>Join the session of computers, or leave it</source>
   <translation>Der Sitzung der Computer bei- oder aus ihr austreten</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>Accept the computer that asks</source>
   <translation>Den Computer annehmen, der fragt</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>Stage on phones: a code to scan, who may see it</source>
   <translation>Stage auf Telefonen: ein Code, und wer es sehen darf</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>Accept the phone that asks</source>
   <translation>Das Telefon annehmen, das fragt</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>OSC for remote surfaces, on or off</source>
   <translation>OSC für Fernbedienungen an oder aus</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>Stage on a screen of its own, or away with it</source>
   <translation>Stage auf einem eigenen Bildschirm, oder weg damit</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>Find here</source>
   <translation>Hier suchen</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>Go to Rig</source>
   <translation>Zu Rig gehen</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>Go to Sync</source>
   <translation>Zu Sync gehen</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>Go to Patterns</source>
   <translation>Zu Patterns gehen</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>Go to Scenes</source>
   <translation>Zu Szenen gehen</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>Go to Song</source>
   <translation>Zu Song gehen</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>Go to Set</source>
   <translation>Zu Set gehen</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>Go to Stage</source>
   <translation>Zu Bühne gehen</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>Go to Log</source>
   <translation>Zu Log</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>Go to Tools</source>
   <translation>Zu Werkzeug gehen</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>Another song of the set</source>
   <translation>Ein anderer Song des Sets</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>The next finding here</source>
   <translation>Der nächste Befund hier</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>The finding before</source>
   <translation>Der Befund davor</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>Mend the finding, where Grebe can</source>
   <translation>Den Befund beheben, wo Grebe es kann</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>The finding is intended: quiet until it changes</source>
   <translation>Der Befund ist gewollt: still, bis er sich ändert</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>To the left</source>
   <translation>Nach links</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>To the right</source>
   <translation>Nach rechts</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>Up: the row, box or finding above</source>
   <translation>Nach oben: Zeile, Gerät oder Befund darüber</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>Down: the one below</source>
   <translation>Nach unten: das darunter</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>To the first</source>
   <translation>Zum ersten</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>To the last</source>
   <translation>Zum letzten</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>The last fifty messages</source>
   <translation>Die letzten fünfzig Meldungen</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>The sheet at the right, or away with it</source>
   <translation>Das Blatt rechts, oder weg damit</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>The menu bar on Stage, or away with it</source>
   <translation>Die Menüleiste auf der Bühne, oder weg damit</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>Fill the screen, or a window again</source>
   <translation>Den Bildschirm füllen, oder wieder ein Fenster</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>Back to the drawing</source>
   <translation>Zurück zur Zeichnung</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>The menu of the thing in hand</source>
   <translation>Das Menü des Dings in der Hand</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>What this station is for, its gestures and keys</source>
   <translation>Wofür diese Station ist, ihre Gesten und Tasten</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>A first set, step by step, or no longer</source>
   <translation>Ein erstes Set, Schritt für Schritt, oder nicht mehr</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>Cautions: hearing, voltage, pulses, mains</source>
   <translation>Vorsicht: Gehör, Spannung, Pulse, Netz</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>About Grebe</source>
   <translation>Über Grebe</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>Run a cable from it</source>
   <translation>Ein Kabel von ihm ziehen</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>Route what it plays through Grebe</source>
   <translation>Was es spielt durch Grebe leiten</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>Who plays it: the box, or Grebe</source>
   <translation>Wer es spielt: das Gerät selbst oder Grebe</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>Pass on what comes in: its thru, on or off</source>
   <translation>Weitergeben, was hereinkommt: sein Thru an oder aus</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>Let it lead the clock</source>
   <translation>Es die Clock führen lassen</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>Let the one lead that leads best</source>
   <translation>Den führen lassen, der am besten führt</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>Lead JACK's transport, follow it, or leave it</source>
   <translation>JACKs Transport führen, ihm folgen oder ihn lassen</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>Click the count-in on it; on Grebe: its bars</source>
   <translation>Den Einzähler darauf klicken; bei Grebe: seine Takte</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>Which one is it? Three notes and pulses to it</source>
   <translation>Welches ist es? Drei Noten und Pulse dorthin</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>Save it as a profile of your own</source>
   <translation>Als eigenes Profil speichern</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>Add a box that is not in the list</source>
   <translation>Ein Gerät dazu, das nicht in der Liste steht</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>Paste its chart of controllers or voices</source>
   <translation>Seine Tabelle von Controllern oder Stimmen einfügen</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>What is guessed of it is right</source>
   <translation>Was daran vermutet ist, stimmt</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>Beside the profile it was made from</source>
   <translation>Neben dem Profil, aus dem es gemacht wurde</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>Read a profile from a file</source>
   <translation>Ein Profil aus einer Datei lesen</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>Write its profile to a file</source>
   <translation>Sein Profil in eine Datei schreiben</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>Write a card for its lid</source>
   <translation>Eine Karte für seinen Deckel schreiben</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>Its next press panics from then on</source>
   <translation>Sein nächster Druck ist von da an Panik</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>The drawing</source>
   <translation>Die Zeichnung</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>Tables of boxes, cables and routes</source>
   <translation>Tabellen der Geräte, Kabel und Wege</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>What the box can do</source>
   <translation>Was das Gerät kann</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>Write something down about it</source>
   <translation>Etwas dazu notieren</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>Take out the note chosen</source>
   <translation>Die gewählte Notiz herausnehmen</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>Bring back the last note</source>
   <translation>Die letzte Notiz zurückholen</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>Write what you know of gear to a file</source>
   <translation>In eine Datei schreiben, was du über Geräte weißt</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>Play on without it</source>
   <translation>Ohne es weiterspielen</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>Its next part, in what it can do</source>
   <translation>Der nächste Teil, in Was es kann</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>The part before, in what it can do</source>
   <translation>Der Teil davor, in Was es kann</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>A row more, in what it can do</source>
   <translation>Eine Zeile mehr, in Was es kann</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>Learn a press for it, in Pedals</source>
   <translation>Einen Druck dafür lernen, in Pedale</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>Learn a computer key for it, in Pedals</source>
   <translation>Eine Computertaste dafür lernen, in Pedale</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>Forget what was learnt, in Pedals</source>
   <translation>Vergessen, was gelernt war, in Pedale</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>In Note maps: the note above, for the pad</source>
   <translation>In Notentabellen: die Note darüber, für das Pad</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>In Note maps: the note below</source>
   <translation>In Notentabellen: die Note darunter</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>In Note maps: as they come, by position, by table</source>
   <translation>In Notentabellen: wie sie kommen, nach Lage, nach Tabelle</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>Check it by ear, over 16 bars</source>
   <translation>Nach Gehör prüfen, über 16 Takte</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>Check all boxes that can be heard</source>
   <translation>Alle Geräte prüfen, die zu hören sind</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>Check it by its notes: its swing too</source>
   <translation>An seinen Noten prüfen: auch seinen Swing</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>Set the offset that mends it; accept a computer</source>
   <translation>Den Versatz setzen, der es behebt; einen Computer annehmen</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>Set every offset that a check found</source>
   <translation>Jeden Versatz setzen, den eine Prüfung fand</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>Whose channel is which: mute one after another</source>
   <translation>Welcher Kanal wessen ist: eines nach dem anderen stumm</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>Measure its interface by a loop of cable</source>
   <translation>Sein Interface mit einer Kabelschleife messen</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>Take the foot's habit off when it closes loops</source>
   <translation>Die Gewohnheit des Fußes abziehen, wenn er Loops schließt</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>Your own timing afresh</source>
   <translation>Das eigene Timing von vorn</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>Write its check down as a try</source>
   <translation>Seine Prüfung als Versuch notieren</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>Show its stage in a window of its own</source>
   <translation>Seine Bühne in einem eigenen Fenster zeigen</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>Probe it: find out what it obeys</source>
   <translation>Ausforschen: herausfinden, was es befolgt</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>Answer what the probe asks:</source>
   <translation>Antworten, was das Ausforschen fragt:</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>Cannot say what the probe asks</source>
   <translation>Nicht zu sagen, was das Ausforschen fragt</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>Take over what the probe found</source>
   <translation>Übernehmen, was das Ausforschen fand</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>The boxes</source>
   <translation>Die Geräte</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>The other computers</source>
   <translation>Die anderen Computer</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>The probe</source>
   <translation>Das Ausforschen</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>New pattern of this box</source>
   <translation>Neues Pattern dieses Geräts</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>A variation of it</source>
   <translation>Eine Variation davon</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>Remove the pattern</source>
   <translation>Das Pattern entfernen</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>Remove the row</source>
   <translation>Die Zeile entfernen</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>Rename the row</source>
   <translation>Die Zeile umbenennen</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>Generate the voice</source>
   <translation>Die Stimme erzeugen</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>Write a hit, or remove it</source>
   <translation>Einen Schlag schreiben oder entfernen</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>The next velocity level</source>
   <translation>Die nächste Anschlagstufe</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>Accent, or none</source>
   <translation>Akzent oder keiner</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>Flam: none, wider</source>
   <translation>Flam: keiner, weiter</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>Strokes: one to eight</source>
   <translation>Wirbel: eins bis acht</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>Strokes alike, fading, swelling</source>
   <translation>Wirbel gleich, leiser, lauter werdend</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>Chance: less and less</source>
   <translation>Zufall: immer seltener</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>On which passes it plays</source>
   <translation>In welchen Durchgängen er spielt</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>Tied to the next; a value glides</source>
   <translation>An den nächsten gebunden; ein Wert gleitet</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>Held longer</source>
   <translation>Länger gehalten</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>Held shorter</source>
   <translation>Kürzer gehalten</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>Pitch up a semitone</source>
   <translation>Einen Halbton höher</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>Pitch down a semitone</source>
   <translation>Einen Halbton tiefer</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>Pitch up in the key</source>
   <translation>In der Tonart höher</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>Pitch down in the key</source>
   <translation>In der Tonart tiefer</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>The row a step longer</source>
   <translation>Die Zeile einen Schritt länger</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>The row a step shorter</source>
   <translation>Die Zeile einen Schritt kürzer</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>Rotate the row a step later</source>
   <translation>Die Zeile einen Schritt später rotieren</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>Rotate the row a step earlier</source>
   <translation>Die Zeile einen Schritt früher rotieren</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>Shift the row a step later</source>
   <translation>Die Zeile einen Schritt später schieben</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>Shift the row a step earlier</source>
   <translation>Die Zeile einen Schritt früher schieben</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>Reverse the row</source>
   <translation>Die Zeile umkehren</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>Clear the row, or what is selected</source>
   <translation>Die Zeile leeren, oder was gewählt ist</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>Its step rate</source>
   <translation>Ihre Schrittweite</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>Its direction</source>
   <translation>Ihre Richtung</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>Its steps even over the pattern</source>
   <translation>Ihre Schritte gleichmäßig über das Pattern</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>One-shot, or held by its gate</source>
   <translation>Ausklingend, oder vom Gate gehalten</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>Silence the voice while it plays, or let it sound</source>
   <translation>Die Stimme beim Spielen stumm, oder klingen lassen</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>Hear the voice alone while it plays, or all</source>
   <translation>Die Stimme beim Spielen allein hören, oder alle</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>Teach the box the voice alone</source>
   <translation>Dem Gerät nur die Stimme beibringen</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>Write the voice as a WAV loop</source>
   <translation>Die Stimme als WAV-Loop schreiben</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>Swing up by 1 %</source>
   <translation>Swing 1 % mehr</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>Swing down by 1 %</source>
   <translation>Swing 1 % weniger</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>Speed: a quarter to four times</source>
   <translation>Geschwindigkeit: ein Viertel bis vierfach</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>Twice as long, played twice</source>
   <translation>Doppelt so lang, zweimal gespielt</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>Its first half</source>
   <translation>Seine erste Hälfte</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>Twice as long, the second half blank</source>
   <translation>Doppelt so lang, die zweite Hälfte leer</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>Its last step one later</source>
   <translation>Letzter Schritt eins später</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>Its last step one earlier</source>
   <translation>Letzter Schritt eins früher</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>In triplets, or straight</source>
   <translation>In Triolen, oder gerade</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>Late and early hits half as far from the grid</source>
   <translation>Späte und frühe Schläge halb so weit vom Raster</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>Throw the dice anew</source>
   <translation>Neu würfeln</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>Pin this take, or let it go</source>
   <translation>Diesen Wurf festhalten oder loslassen</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>Mark the pattern as in the box</source>
   <translation>Das Pattern als im Gerät markieren</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>Teach the box this pattern</source>
   <translation>Dem Gerät dieses Pattern beibringen</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>In Memory: the pattern to this place</source>
   <translation>Im Speicher: das Pattern auf diesen Platz</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>In Memory: a copy to this place</source>
   <translation>Im Speicher: eine Kopie auf diesen Platz</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>Write what is played in, live</source>
   <translation>Eingespieltes live schreiben</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>Live notes snap, or keep their place</source>
   <translation>Live-Noten rasten ein oder bleiben, wo sie sind</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>Notes played in go to the cursor</source>
   <translation>Eingespielte Noten kommen an den Cursor</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>Find the key of what was played</source>
   <translation>Die Tonart des Gespielten finden</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>Play voice</source>
   <translation>Stimme spielen</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>Import MIDI files and WAV loops</source>
   <translation>MIDI-Dateien und WAV-Loops importieren</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>Import a folder of MIDI files</source>
   <translation>Einen Ordner mit MIDI-Dateien importieren</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>Write it as MIDI and WAV</source>
   <translation>Als MIDI und WAV schreiben</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>The note lanes</source>
   <translation>Die Notenspuren</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>The box's memory</source>
   <translation>Der Speicher des Geräts</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>The step sheet</source>
   <translation>Das Schrittblatt</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>What was played in</source>
   <translation>Was eingespielt wurde</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>In Capture: laid over the pattern in hand</source>
   <translation>In Aufgenommen: über das Pattern in der Hand gelegt</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>In Capture: a pattern of it</source>
   <translation>In Aufgenommen: ein Pattern daraus</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>In Loops: a pattern of its slices</source>
   <translation>In Loops: ein Pattern aus seinen Scheiben</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>In Memory: take in hand what is there</source>
   <translation>Im Speicher: in die Hand nehmen, was dort ist</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>In Loops: cut at its hits</source>
   <translation>In Loops: an seinen Schlägen schneiden</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>In Loops: cut evenly</source>
   <translation>In Loops: gleichmäßig schneiden</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>In Loops: fitted to the tempo by its slices</source>
   <translation>In Loops: durch seine Scheiben ans Tempo angepasst</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>In Loops: fitted to the tempo by its speed</source>
   <translation>In Loops: durch seine Geschwindigkeit ans Tempo angepasst</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>Audio loops</source>
   <translation>Audio-Loops</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>A new scene after it</source>
   <translation>Eine neue Szene danach</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>Drums out for its last bar, in the song</source>
   <translation>Drums raus im letzten Takt, im Song</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>Remove the scene</source>
   <translation>Die Szene entfernen</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>A pattern more in its chain</source>
   <translation>Ein Pattern mehr in seiner Kette</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>The last of its chain away</source>
   <translation>Das letzte seiner Kette weg</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>As in the scene before: carry on</source>
   <translation>Wie in der Szene davor: läuft weiter</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>Silence voice or loop track</source>
   <translation>Stimme oder Loop-Spur schweigen lassen</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>Its chain as a list</source>
   <translation>Seine Kette als Liste</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>Its next echo time</source>
   <translation>Seine nächste Echozeit</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>Mutes saved with it, or left as they stand</source>
   <translation>Mutes mit ihr gespeichert, oder bleiben wie sie sind</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>Mutes by hand kept at its end, or dropped</source>
   <translation>Mutes von Hand an ihrem Ende behalten oder fallen lassen</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>What it is for: intro, verse, build, hook</source>
   <translation>Wofür sie ist: Intro, Strophe, Aufbau, Hook</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>What follows: next, jump, back, stay</source>
   <translation>Was folgt: nächste, Sprung, zurück, bleiben</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>To the end of the song</source>
   <translation>Ans Ende des Songs</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>A song of all scenes, as they go on</source>
   <translation>Ein Song aus allen Szenen, wie sie weitergehen</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>A song of this scene alone</source>
   <translation>Ein Song nur aus dieser Szene</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>Only scenes of this song, or all</source>
   <translation>Nur Szenen dieses Songs, oder alle</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>A new section after it</source>
   <translation>Ein neuer Abschnitt danach</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>Only the sections selected: the rest goes</source>
   <translation>Nur die gewählten Abschnitte: der Rest geht</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>Drums out over what is selected, or its last two bars</source>
   <translation>Drums raus über die Auswahl, oder die letzten zwei Takte</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>A fill every so many bars of this section, or none</source>
   <translation>Ein Fill alle so viele Takte dieses Abschnitts, oder keines</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>A fill over what is selected, or none</source>
   <translation>Ein Fill über die Auswahl, oder keins</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>A marker here, or away with it</source>
   <translation>Eine Marke hier, oder weg damit</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>Jump to this bar, on the next bar</source>
   <translation>Zu diesem Takt springen, zum nächsten Takt</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>What is selected over and over, or on</source>
   <translation>Die Auswahl immer wieder, oder weiter</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>Another pattern of it from here on, the next, or none</source>
   <translation>Anderes Pattern davon ab hier, das nächste, oder keines</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>The next controller, for its curve</source>
   <translation>Der nächste Controller, für seine Kurve</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>A drag draws the curve, or selects again</source>
   <translation>Ziehen zeichnet die Kurve, oder wählt wieder aus</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>The curve's point here away</source>
   <translation>Den Punkt der Kurve hier weg</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>One voice of the device, or all of it</source>
   <translation>Eine Stimme des Geräts, oder alles</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>By bars, beats or sixteenths</source>
   <translation>Nach Takten, Schlägen oder Sechzehnteln</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>A bar back</source>
   <translation>Einen Takt zurück</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>A bar on</source>
   <translation>Einen Takt weiter</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>See fewer bars</source>
   <translation>Weniger Takte sehen</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>See more bars</source>
   <translation>Mehr Takte sehen</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>A song of verses and hooks</source>
   <translation>Ein Song aus Strophen und Hooks</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>A song of builds and drops</source>
   <translation>Ein Song aus Aufbauten und Drops</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>A new song</source>
   <translation>Ein neuer Song</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>A song of how it was played last</source>
   <translation>Ein Song so, wie zuletzt gespielt</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>Another like this song</source>
   <translation>Noch einer wie dieser Song</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>Remove the song</source>
   <translation>Den Song entfernen</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>Programmed into the box, or told live</source>
   <translation>Ins Gerät programmiert, oder live angesagt</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>Its patterns in the order its chains need</source>
   <translation>Seine Patterns in der Ordnung, die seine Ketten brauchen</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>As each box can have it</source>
   <translation>Wie ihn jedes Gerät haben kann</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>The stage sheet</source>
   <translation>Das Bühnenblatt</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>Write the cue list as CSV</source>
   <translation>Die Einsatzliste als CSV schreiben</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>Write its scene as a WAV loop</source>
   <translation>Seine Szene als WAV-Loop schreiben</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>Put a song in after it</source>
   <translation>Danach einen Song einfügen</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>It stays at its place, or may move</source>
   <translation>Er bleibt an seinem Platz, oder darf wandern</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>How it comes in: stop, cut, ramp, carry on</source>
   <translation>Wie er einsetzt: Halt, Schnitt, Rampe, weiter</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>The other version of the song</source>
   <translation>Die andere Fassung des Songs</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>Make a version with everything in</source>
   <translation>Eine Fassung mit allem drin machen</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>No shape wished for</source>
   <translation>Keine Form gewünscht</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>The order that fits best</source>
   <translation>Die Reihenfolge, die am besten passt</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>A new set</source>
   <translation>Ein neues Set</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>Remove the set</source>
   <translation>Das Set entfernen</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>The next set</source>
   <translation>Das nächste Set</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>Read the set from CSV</source>
   <translation>Das Set aus CSV lesen</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>Write the set as CSV</source>
   <translation>Das Set als CSV schreiben</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>The running order</source>
   <translation>Die Reihenfolge</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>Rehearse it</source>
   <translation>Es proben</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>Rehearse from the song in hand, or end</source>
   <translation>Ab dem Song in der Hand proben, oder Schluss</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>Who launches in rehearsal: you, or Grebe</source>
   <translation>Wer in der Probe einsetzt: du oder Grebe</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>Bring in what is next, in rehearsal</source>
   <translation>Das Nächste einsetzen, in der Probe</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>The announced move is done, in rehearsal</source>
   <translation>Der angesagte Griff ist getan, in der Probe</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>The transition in hand over and over, or end</source>
   <translation>Den Übergang in der Hand immer wieder, oder Schluss</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>Slower by a step, then as written again</source>
   <translation>Einen Schritt langsamer, dann wieder wie geschrieben</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>Come in on the one: begin, tap each one, end</source>
   <translation>Auf die Eins kommen: beginnen, jede Eins tippen, enden</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>Bring in what is next, on the next bar</source>
   <translation>Das Nächste einsetzen, zum nächsten Takt</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>Bring in what is next, at the end of this section</source>
   <translation>Das Nächste einsetzen, am Ende dieses Abschnitts</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>Cut to what is next now</source>
   <translation>Jetzt zum Nächsten schneiden</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>Hold this section, or let it go on</source>
   <translation>Diesen Abschnitt halten oder weiterlaufen lassen</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>One more pass of this section</source>
   <translation>Diesen Abschnitt noch einmal</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>The section before, on the next bar</source>
   <translation>Der Abschnitt davor, zum nächsten Takt</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>The move that is announced is done</source>
   <translation>Der angesagte Griff ist getan</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>Let the tempo go to the song's own</source>
   <translation>Das Tempo auf das des Songs gehen lassen</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>What changes by itself stays as it is, or goes on</source>
   <translation>Was sich von selbst ändert, bleibt oder geht weiter</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>Mutes by hand stay after this section, or not</source>
   <translation>Mutes von Hand bleiben nach diesem Abschnitt, oder nicht</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>A scene by its number, then Enter</source>
   <translation>Eine Szene per Nummer, dann Enter</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>A song by its number, then Enter</source>
   <translation>Ein Song per Nummer, dann Enter</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>Any scene of the project by its number</source>
   <translation>Jede Szene des Projekts mit ihrer Nummer</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>Any scene of the project open before, by its number</source>
   <translation>Jede Szene des zuvor offenen Projekts, mit ihrer Nummer</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>Any song or set of the project open before, by its number</source>
   <translation>Beliebiger Song oder Set des zuvor offenen Projekts, nach Nummer</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>Any song or set of the project by its number</source>
   <translation>Beliebiger Song oder Set des Projekts, nach Nummer</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>What is brought in so keeps the tempo, or takes its own</source>
   <translation>Was so hereinkommt, behält das Tempo oder nimmt sein eigenes</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>Play on without the box that is gone</source>
   <translation>Ohne das Gerät weiterspielen, das weg ist</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>What was just played sounds on the next bar</source>
   <translation>Was eben gespielt wurde, klingt ab dem nächsten Takt</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>What was just played lies over the pattern</source>
   <translation>Was eben gespielt wurde, liegt über dem Pattern</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>A pattern by numbers: box or track, then pattern</source>
   <translation>Ein Pattern mit Nummern: Gerät oder Spur, dann Pattern</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>All play what their scene gives them again</source>
   <translation>Alle spielen wieder, was ihre Szene ihnen gibt</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>Keep what sounds in this scene</source>
   <translation>Was klingt, in dieser Szene behalten</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>Keep what sounds as a new scene</source>
   <translation>Was klingt, als neue Szene behalten</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>Type</source>
   <translation>Tippen</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>Launch scene</source>
   <translation>Szene starten</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>Take song</source>
   <translation>Song nehmen</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>Mute or unmute number</source>
   <translation>Stumm oder laut: Nummer</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>Alone, or not, number</source>
   <translation>Allein oder nicht: Nummer</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>Mute or unmute box or track</source>
   <translation>Gerät oder Spur stumm oder nicht</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>Alone, or not: box or track</source>
   <translation>Allein oder nicht: Gerät oder Spur</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>The next pattern of box or track</source>
   <translation>Das nächste Pattern von Gerät oder Spur</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>The next eight boxes and tracks have the digits</source>
   <translation>Die nächsten acht Geräte und Spuren haben die Ziffern</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>Record, close, over, start loop track</source>
   <translation>Aufnehmen, schließen, darüber, starten: Loop-Spur</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>Loop tracks start and stop on bars, or at the loop's end</source>
   <translation>Loop-Spuren beginnen und enden auf Takten oder am Loop-Ende</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>Put right what drifts, over a bar</source>
   <translation>Zurechtrücken, was driftet, über einen Takt</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>Lock the keys, or let them go</source>
   <translation>Die Tasten sperren oder freigeben</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>Touch guard on or off</source>
   <translation>Berührungsschutz an oder aus</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>Forget this evening: all of it leaves the log</source>
   <translation>Diesen Abend vergessen: alles davon verlässt das Logbuch</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>Copy the answer and its table</source>
   <translation>Die Antwort und ihre Tabelle kopieren</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>Use it where it belongs: song, scene, generator</source>
   <translation>Dort einsetzen, wo es hingehört: Song, Szene, Generator</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>Alone</source>
   <translation>Allein</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>Boxes and tracks</source>
   <translation>Geräte und Spuren</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>Boxes and tracks alone</source>
   <translation>Geräte und Spuren allein</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>By number</source>
   <translation>Nach Nummer</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>Clip</source>
   <translation>Ablage</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>Curve</source>
   <translation>Kurve</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>Draw</source>
   <translation>Zeichnen</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>Files</source>
   <translation>Dateien</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>Guard</source>
   <translation>Schutz</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>Hit</source>
   <translation>Anschlag</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>In</source>
   <translation>Hinein</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>In the boxes</source>
   <translation>In den Geräten</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>Launch</source>
   <translation>Aufrufen</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>Make</source>
   <translation>Machen</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>Move</source>
   <translation>Bewegen</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>Others</source>
   <translation>Andere</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>Over it</source>
   <translation>Darüber</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>Part here</source>
   <translation>Teil hier</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>Pitch</source>
   <translation>Tonhöhe</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>Place</source>
   <translation>Platz</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>Playing</source>
   <translation>Spielend</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>Playing in</source>
   <translation>Einspielen</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>Room</source>
   <translation>Raum</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>Row</source>
   <translation>Zeile</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>Select</source>
   <translation>Auswählen</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>Show</source>
   <translation>Zeigen</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>Station</source>
   <translation>Station</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>Thing</source>
   <translation>Ding</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>What it can do</source>
   <translation>Was es kann</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>What you know</source>
   <translation>Was du weißt</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>Window</source>
   <translation>Fenster</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>Look</source>
   <translation>Aussehen</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>desktop</source>
   <translation>Desktop</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>day</source>
   <translation>Tag</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>night</source>
   <translation>Nacht</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>Ports</source>
   <translation>Ports</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>Sound</source>
   <translation>Klang</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>This computer</source>
   <translation>Dieser Computer</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>errors</source>
   <translation>Fehler</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>usual</source>
   <translation>üblich</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>A4</source>
   <translation>A4</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>Letter</source>
   <translation>Letter</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>drums</source>
   <translation>Drums</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>bass</source>
   <translation>Bass</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>synth</source>
   <translation>Synth</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>sampler</source>
   <translation>Sampler</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>looper</source>
   <translation>Looper</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>echo</source>
   <translation>Echo</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>modular</source>
   <translation>Modular</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>pedal</source>
   <translation>Pedal</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>relay</source>
   <translation>Relais</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>other</source>
   <translation>anderes</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>forward</source>
   <translation>vorwärts</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>backward</source>
   <translation>rückwärts</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>there and back</source>
   <translation>hin und zurück</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>random</source>
   <translation>zufällig</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>intro</source>
   <translation>Intro</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>verse</source>
   <translation>Strophe</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>build</source>
   <translation>Aufbau</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>hook</source>
   <translation>Hook</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>break</source>
   <translation>Break</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>drop</source>
   <translation>Drop</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>outro</source>
   <translation>Outro</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>next</source>
   <translation>nächste</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>jump</source>
   <translation>springen</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>back</source>
   <translation>zurück</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>stay</source>
   <translation>bleiben</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>in the box</source>
   <translation>im Gerät</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>changed since</source>
   <translation>seither geändert</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>not there yet</source>
   <translation>noch nicht dort</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>verse and hook</source>
   <translation>Strophe und Hook</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>build and drop</source>
   <translation>Aufbau und Drop</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>later</source>
   <translation>später</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>with</source>
   <translation>mit</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>without</source>
   <translation>ohne</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>no fill</source>
   <translation>kein Fill</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>1 of 2</source>
   <translation>1 von 2</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>2 of 2</source>
   <translation>2 von 2</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>1 of 3</source>
   <translation>1 von 3</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>1 of 4</source>
   <translation>1 von 4</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>2 of 4</source>
   <translation>2 von 4</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>3 of 4</source>
   <translation>3 von 4</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>4 of 4</source>
   <translation>4 von 4</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>1 of 8</source>
   <translation>1 von 8</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>clock</source>
   <translation>Clock</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>start</source>
   <translation>Start</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>program</source>
   <translation>Programm</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>saved</source>
   <translation>gespeichert</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>left</source>
   <translation>gelassen</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>keep</source>
   <translation>behalten</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>accepts</source>
   <translation>nimmt an</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>by foot</source>
   <translation>mit dem Fuß</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>Space##a key</source>
   <translation>Leertaste</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>Page up##a key</source>
   <translation>Bild auf</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>Page down##a key</source>
   <translation>Bild ab</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>Delete##a key</source>
   <translation>Entf</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>Back##a key</source>
   <translation>Rück</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>Home##a key</source>
   <translation>Pos1</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>End##a key</source>
   <translation>Ende</translation>
  </message>
  <message>
   <location filename="../../app/actions" />
   <source>Play key##a key</source>
   <translation>Play-Taste</translation>
  </message>
 </context>
</TS>
