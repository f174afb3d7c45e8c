#!/usr/bin/env python3
"""A small robot for Lantern Step, after docs/link.md, with nothing but Python's own library.

    python3 docs/robot.py [--port 4180] [--id lugger] [--name Lugger] [--fault deaf|rows|signs]

It has two wheels that measure their way, a gyro and a lamp, and moves in its own reckoning alone: put
your motors where Body is. Enter is a hand on its button. Tell Lantern Step where it is with
LANTERN_ROBOTS=ws://localhost:4180. --fault lets it misbehave, for tests of `npm run robot-check`.
"""
import argparse
import base64
import hashlib
import hmac
import json
import math
import secrets
import socket
import socketserver
import struct
import sys
import threading
import time

VERSION, SIGNS, SIGNS_LAST, TRIES, QUIET_FOR, OPENS_WITHIN = 3, 5, 60, 3, 600, 2
PATIENCE, FORGETS, LONGEST, MOST_BAD, MOST_MESSAGES, HELLO = 0.5, 4, 1024 * 1024, 20, 400, 40
DEVICES = ["motion", "wheels", "pacing", "turning", "gyro", "lamp", "speaker", "clips", "battery"]
ROOM = 512 * 1024  # bytes of sounds that it holds
STEP = 0.01  # seconds of a move that are reckoned at once
#: Of each order, what it takes: the least and the most of a number, or the type of a value.
PART, ANY = (-1, 1), (-1e6, 1e6)
ORDERS = {
    ("motion", "start"): {"speed": PART},
    ("motion", "stop"): {"isCoasting": bool},
    ("motion", "stand"): {},
    ("wheels", "drive"): {"left": PART, "right": PART},
    ("pacing", "go"): {"distance": ANY, "speed": PART},
    ("pacing", "zero"): {},
    ("turning", "turn"): {"angle": ANY},
    ("turning", "turnTo"): {"bearing": ANY},
    ("gyro", "zero"): {},
    ("speaker", "play"): {"notes": list},
    ("speaker", "volume"): {"level": (0, 1)},
    ("speaker", "silence"): {},
    ("lamp", "shine"): {"side": str, "colour": str, "brightness": (0, 1), "period": (0, 1e6)},
}
#: Of each message, what it has beside its type.
FIELDS = {
    "hello": {"version", "person", "key", "hasToken"}, "proof": {"proof"}, "seal": {"mark"},
    "open": {"nonce"}, "lineUp": {"at"}, "start": set(), "begin": {"id", "command"}, "halt": set(),
    "end": set(), "alive": set(), "rename": {"name"}, "letGo": set(), "switchOff": set(),
    "list": set(), "erase": {"place"}, "clips": {"ids"}, "clip": {"id", "part", "isLast", "content"},
}


# --- keys and proofs ---

def x25519(secret: bytes, point: bytes) -> bytes:
    """What RFC 7748 makes of a secret and of a point (or of 9, for the public key)."""
    p = 2**255 - 19
    k = int.from_bytes(secret, "little") & ~(7 | 1 << 255) & (1 << 255) - 1 | 1 << 254
    x1 = int.from_bytes(point, "little") & (1 << 255) - 1
    x2, z2, x3, z3, swap = 1, 0, x1, 1, 0
    for t in range(254, -1, -1):
        bit = k >> t & 1
        if swap ^ bit:
            x2, x3, z2, z3 = x3, x2, z3, z2
        swap = bit
        a, b, c, d = x2 + z2, x2 - z2, x3 + z3, x3 - z3
        aa, bb, da, cb = a * a % p, b * b % p, d * a % p, c * b % p
        e = aa - bb
        x3, z3 = (da + cb) ** 2 % p, x1 * (da - cb) ** 2 % p
        x2, z2 = aa * bb % p, e * (aa + 121665 * e) % p
    if swap:
        x2, z2 = x3, z3
    return (x2 * pow(z2, p - 2, p) % p).to_bytes(32, "little")


def sealed(key: str, text: str) -> str:
    return hmac.new(bytes.fromhex(key), text.encode(), hashlib.sha256).hexdigest()


def is_secret(value) -> bool:
    return isinstance(value, str) and len(value) == 64 and set(value) <= set("0123456789abcdef")


# --- what moves ---

class Body:
    """Two wheels, 12 cm apart; metres, seconds, radians counter-clockwise from east."""
    TOP, AXLE, LAG = 0.5, 0.12, 0.1

    def __init__(self):
        self.x = self.y = self.heading = self.way = self.left = self.right = 0.0
        self.wanted, self.zero, self.facing, self.lamp, self.battery = (0.0, 0.0), 0.0, None, 0, 1.0

    @property
    def speed(self):
        return (self.left + self.right) / 2

    @property
    def turning(self):
        return (self.right - self.left) / self.AXLE

    @property
    def is_still(self):
        return abs(self.left) < 0.005 and abs(self.right) < 0.005 and self.wanted == (0, 0)

    def drive(self, left, right):
        self.wanted = (left * self.TOP, right * self.TOP)

    def tick(self, dt):
        part = 1 - math.exp(-dt / self.LAG)
        self.left += (self.wanted[0] - self.left) * part
        self.right += (self.wanted[1] - self.right) * part
        self.heading += self.turning * dt
        self.way += self.speed * dt
        self.x += self.speed * math.cos(self.heading) * dt
        self.y += self.speed * math.sin(self.heading) * dt
        self.battery = max(0.0, self.battery - dt / 7200)

    def sense(self):
        bearing = 90 - math.degrees(self.heading)
        if self.facing is not None:
            bearing = math.degrees(self.facing - self.heading)
        row = {"travelled": self.way - self.zero, "speed": self.speed, "heading": bearing % 360, "battery": self.battery}
        shows = {"speed": self.speed, "leftWheel": self.left, "rightWheel": self.right, "battery": self.battery,
                 "leftLamp": self.lamp, "rightLamp": self.lamp}
        return {"row": row, "shows": shows, "at": {"x": self.x, "y": self.y, "bearing": 90 - math.degrees(self.heading)}}


class Robot:
    """Who has it, what it was told, and what becomes of that. Everything happens under one lock."""

    def __init__(self, options):
        self.id, self.name, self.fault = options.id, options.name, options.fault
        self.lock, self.body, self.began = threading.RLock(), Body(), time.monotonic()
        self.holder = self.signs = None
        self.knocks, self.tokens, self.rounds = {}, {}, []
        self.told_at = time.monotonic()
        self.tries, self.shown_at, self.orders, self.rows = 0, 0.0, {}, 0
        self.is_running = self.is_ending = self.is_alone = False
        self.sounds, self.wanted, self.coming = {}, [], {}

    # --- pairing ---

    def draw(self):
        self.signs = [1 + secrets.randbelow(4) for _ in range(SIGNS)]
        self.shown_at = time.monotonic()
        print("signs:", *self.signs, flush=True)

    def confirm(self, line):
        seconds = max(0, self.shown_at + SIGNS_LAST - time.monotonic())
        line.say("confirm", key=self.knocks[line]["visit"].split()[3], seconds=seconds,
                 left=max(0, TRIES - self.tries), hand=self.tries >= TRIES)

    def hello(self, line, frame):
        if frame["version"] < VERSION:
            return line.say("sorry", why="tooOld")
        if self.holder is line:
            self.free()
        if self.holder:
            return line.say("sorry", why="busy", **{"with": self.holder.person["name"]}, since=time.monotonic() - self.holder.since)
        if time.monotonic() >= self.told_at + QUIET_FOR:
            self.tries = 0
        secret = secrets.token_bytes(32)
        key = x25519(secret, (9).to_bytes(32, "little")).hex()
        line.person = frame["person"]
        visit = f"{self.id} {line.person['id']} {frame['key']} {key}"
        self.knocks[line] = {"secret": secret, "visit": visit, "app": frame["key"], "mark": None}
        if frame["hasToken"] and self.tokens.get(line.person["id"]):
            return line.say("challenge", key=key)
        if not self.signs:
            self.draw()
        self.confirm(line)

    def proof(self, line, frame):
        knock = self.knocks.get(line)
        if not knock:
            return line.bad("notPaired")
        for token in self.tokens.get(line.person["id"], []):
            if hmac.compare_digest(frame["proof"], sealed(token, f"app {knock['visit']}")):
                return self.let_in(line, token)
        line.say("sorry", why="stranger")

    def seal(self, line, frame):
        if line not in self.knocks or not self.signs:
            return line.bad("notPaired")
        for one in self.rounds:
            one[2].discard(line)
            one[4].discard(line)
        self.knocks[line]["mark"] = frame["mark"]
        self.told_at = time.monotonic()
        if self.tries < TRIES:
            self.hold([line])

    def press(self):
        """A hand is on its button."""
        with self.lock:
            lines = [line for line, knock in self.knocks.items() if knock["mark"]]
            if lines:
                self.hold(lines, by_hand=True)

    def hold(self, lines, by_hand=False):
        self.rounds.append((self.signs, time.monotonic() + OPENS_WITHIN, set(lines), [], set(lines), by_hand))
        self.tries += 1
        signs = self.signs
        self.draw()
        for line in lines:
            line.say("shown", signs=signs, left=max(0, TRIES - self.tries), hand=self.tries >= TRIES)

    def open(self, line, frame):
        for one in self.rounds:
            signs, _, waiting, right, *_ = one
            if line not in waiting:
                continue
            waiting.discard(line)
            knock = self.knocks[line]
            text = f"signs {' '.join(map(str, signs))} {knock['visit']}"
            if self.fault == "signs" or hmac.compare_digest(knock["mark"], sealed(frame["nonce"], text)):
                right.append(line)
            return None if waiting else self.settle(one)
        line.bad("notPaired")

    def settle(self, one):
        self.rounds.remove(one)
        right = [line for line in one[3] if line in self.knocks]
        if len(right) == 1:
            knock = self.knocks[right[0]]
            shared = x25519(knock["secret"], bytes.fromhex(knock["app"]))
            token = sealed(shared.hex(), f"token {knock['visit']}")
            self.tries = self.tries if one[5] else 0
            person = right[0].person["id"]
            self.tokens[person] = [token, *self.tokens.get(person, [])][:4]
            return self.let_in(right[0], token)
        for line, knock in self.knocks.items():
            if line in one[4]:
                knock["mark"] = None
                line.say("wrong", left=max(0, TRIES - self.tries), hand=self.tries >= TRIES)

    def let_in(self, line, token):
        visit = self.knocks.pop(line)["visit"]
        for other in self.knocks:
            other.say("sorry", why="busy", **{"with": line.person["name"]}, since=0)
        self.knocks, self.rounds, self.signs = {}, [], None
        self.holder, line.since, line.heard_at, self.orders = line, time.monotonic(), time.monotonic(), {}
        line.say("greeting", version=VERSION, id=self.id, name=self.name, kind="skiff", firmware="py", devices=DEVICES,
                 settings={}, proof=sealed(token, f"robot {visit}"))
        line.say("battery", battery=self.body.battery, isCharging=False)

    def free(self):
        self.rest()
        self.holder = None

    def gone(self, line):
        with self.lock:
            self.knocks.pop(line, None)
            if line is self.holder:
                self.free()
            if not self.knocks:
                self.signs = None

    # --- what it is told ---

    def take(self, line, frame):
        kind = frame["type"]
        if kind in ("hello", "proof", "seal", "open"):
            return getattr(self, kind)(line, frame)
        if line is not self.holder:
            return line.bad("notPaired")
        line.heard_at, self.is_alone = time.monotonic(), False
        if kind == "lineUp":
            at = frame["at"]
            self.body.x, self.body.y, self.body.heading = at["x"], at["y"], math.radians(90 - at["bearing"])
        elif kind == "start":
            self.began, self.orders, self.is_ending = time.monotonic(), {}, False
            self.is_running = True
            self.body.zero = self.body.way
            line.say("started")
        elif kind == "begin":
            self.begin(line, frame["id"], frame["command"])
        elif kind == "halt" and self.fault != "deaf":
            self.rest()
        elif kind == "end":
            self.rest()
            self.is_ending = True
        elif kind == "rename":
            self.name = frame["name"]
            line.say("named", name=self.name)
        elif kind in ("list", "erase"):
            line.say("stored", places=[])
        elif kind == "clips":
            self.wanted, self.coming = frame["ids"], {}
            self.lacks(line, [one for one in self.wanted if one not in self.sounds])
        elif kind == "clip":
            self.clip(line, frame)
        elif kind in ("letGo", "switchOff"):
            self.free()

    # --- sounds that it holds ---

    def room(self):
        return ROOM - sum(len(wav) for one, wav in self.sounds.items() if one in self.wanted)

    def lacks(self, line, ids):
        line.say("lacks", ids=ids, room=self.room())

    def clip(self, line, frame):
        one, pieces = frame["id"], self.coming.setdefault(frame["id"], [])
        if one not in self.wanted or len(pieces) != frame["part"]:
            self.coming.pop(one)
            return self.lacks(line, [one])
        pieces.append(base64.b64decode(frame["content"]))
        if not frame["isLast"]:
            return None
        wav = b"".join(self.coming.pop(one))
        if hashlib.sha256(wav).hexdigest() != one or len(wav) > self.room():
            return self.lacks(line, [one])
        # What nobody wants now makes room.
        self.sounds = {key: kept for key, kept in self.sounds.items() if key in self.wanted}
        self.sounds[one] = wav
        return line.say("holds", id=one)

    def begin(self, line, number, command):
        device, name, values = command["device"], command["name"], command["values"]
        if device not in DEVICES:
            return line.say("refused", id=number, why="noDevice")
        takes = ORDERS.get((device, name))
        if takes is None or set(takes) != set(values) or not all(fits(values[key], takes[key]) for key in takes):
            return line.say("refused", id=number, why="badOrder")
        body, is_over = self.body, None
        if name == "shine":
            body.lamp = int(int(values["colour"][1:] or "0", 16) * (values["brightness"] > 0))
        elif name == "zero":
            body.zero, body.facing = (body.way, body.facing) if device == "pacing" else (body.zero, body.heading)
        elif name == "stand":
            is_over = lambda: body.is_still
        elif device == "speaker":
            # Your loudspeaker goes here: a note with a clip that is in self.sounds is that, others are their pitch.
            if name != "volume":
                self.cut(("play",))
            if name == "play":
                until = time.monotonic() + sum(note["length"] for note in values["notes"])
                is_over = lambda: time.monotonic() >= until
        else:
            self.cut()
            is_over = self.move(name, values)
        if is_over is None:
            line.say("done", id=number)
        else:
            self.orders[number] = (is_over, name)

    def move(self, name, values):
        body = self.body
        if name in ("start", "drive"):
            return body.drive(values.get("left", values.get("speed")), values.get("right", values.get("speed")))
        if name == "stop":
            return body.drive(0, 0)
        if name == "go":
            sign = math.copysign(1, values["distance"]) * math.copysign(1, values["speed"])
            speed, goal = sign * max(0.1, abs(values["speed"])), body.way + sign * abs(values["distance"])
            body.drive(speed, speed)
            # What it still rolls belongs to the way.
            return self.until(lambda: sign * (goal - body.way) <= abs(body.speed) * body.LAG)
        if "angle" in values:
            angle = -math.radians(values["angle"])
        else:
            angle = (math.radians(90 - values["bearing"]) - body.heading + math.pi) % (2 * math.pi) - math.pi
        sign, goal = math.copysign(1, angle), body.heading + angle
        body.drive(-0.3 * sign, 0.3 * sign)
        return self.until(lambda: sign * (goal - body.heading) <= abs(body.turning) * body.LAG)

    def until(self, is_there):
        """Drives until it is there, and is over when it stands."""
        state = {"there": False}

        def is_over():
            if not state["there"] and is_there():
                state["there"] = True
                self.body.drive(0, 0)
            return state["there"] and self.body.is_still
        return is_over

    def cut(self, names=("start", "stop", "drive", "go", "turn", "turnTo", "shine")):
        """What another order takes the place of: all that move it are one."""
        for number, (_, name) in list(self.orders.items()):
            if name in names:
                self.holder.say("cut", id=self.orders.pop(number) and number)

    def rest(self):
        self.is_running = False
        if self.holder:
            self.cut()
        self.body.drive(0, 0)

    # --- time ---

    def tick(self, dt):
        with self.lock:
            now, line = time.monotonic(), self.holder
            # However late it is woken, a move ends where it should.
            while dt > 0:
                self.body.tick(min(dt, STEP))
                dt -= STEP
                for number in [number for number, (is_over, _) in self.orders.items() if line and is_over()]:
                    del self.orders[number]
                    line.say("done", id=number)
            for one in [one for one in self.rounds if now >= one[1]]:
                self.settle(one)
            if self.signs and now >= self.shown_at + SIGNS_LAST:
                self.draw()
                for each in self.knocks:
                    self.confirm(each)
            if not line:
                return
            alone = now - line.heard_at
            if alone > FORGETS:
                self.free()
                return line.close()
            if alone > PATIENCE and not self.is_alone:
                self.is_alone = True
                if self.is_running:
                    line.say("fault", fault="alone")
                self.rest()
            if self.is_ending and self.body.is_still:
                self.is_ending = False
                line.say("ended", time=now - self.began)
            self.rows += 1
            if self.rows % (10 if self.fault == "rows" else 2) == 0:
                line.say("sense", time=now - self.began, **self.body.sense())
            if self.rows % 50 == 0:
                line.say("battery", battery=self.body.battery, isCharging=False)

    def advert(self):
        with self.lock:
            busy = {"with": self.holder.person["name"], "since": time.monotonic() - self.holder.since} if self.holder else {}
            return {"type": "advert", "id": self.id, "name": self.name, "kind": "skiff", "firmware": "py", "version": VERSION,
                    "state": "busy" if busy else "ready", "battery": self.body.battery, "signal": 1, **busy}


def fits(value, takes) -> bool:
    if isinstance(takes, type):
        return isinstance(value, takes)
    return isinstance(value, (int, float)) and not isinstance(value, bool) and takes[0] <= value <= takes[1]


def is_frame(frame) -> bool:
    """Whether it has what its type says, and nothing else."""
    if not isinstance(frame, dict) or frame.get("type") not in FIELDS or set(frame) - {"type"} != FIELDS[frame["type"]]:
        return False
    number = lambda value: isinstance(value, (int, float)) and not isinstance(value, bool) and math.isfinite(value)
    text = lambda value: isinstance(value, str) and 0 < len(value) <= 80
    checks = {
        "hello": lambda: is_secret(frame["key"]) and isinstance(frame["hasToken"], bool) and isinstance(frame["version"], int)
        and isinstance(frame["person"], dict) and all(text(frame["person"].get(key)) for key in ("id", "name")),
        "proof": lambda: is_secret(frame["proof"]), "seal": lambda: is_secret(frame["mark"]), "open": lambda: is_secret(frame["nonce"]),
        "lineUp": lambda: isinstance(frame["at"], dict) and all(number(frame["at"].get(key)) for key in ("x", "y", "bearing")),
        "begin": lambda: isinstance(frame["id"], int) and isinstance(frame["command"], dict)
        and set(frame["command"]) == {"device", "name", "values"} and isinstance(frame["command"]["values"], dict)
        and all(isinstance(frame["command"][key], str) for key in ("device", "name")),
        "rename": lambda: text(frame["name"]),
    }
    return checks.get(frame["type"], lambda: True)()


# --- WebSockets (RFC 6455), as far as it needs them ---

class Line(socketserver.BaseRequestHandler):
    robot: Robot

    def handle(self):
        head = b""
        while b"\r\n\r\n" not in head and len(head) < 8192:
            more = self.request.recv(1024)
            if not more:
                return
            head += more
        lines = head.decode("latin-1").split("\r\n")
        path = lines[0].split(" ")[1]
        headers = {key.strip().lower(): value.strip() for key, _, value in (line.partition(":") for line in lines[1:])}
        if path == "/look":
            return self.answer(json.dumps({"robots": [{"id": self.robot.id, "signs": self.robot.signs or []}]}))
        known = path in ("/adverts", f"/robots/{self.robot.id}")
        # No page of a browser is to come here.
        if not known or "origin" in headers or "sec-websocket-key" not in headers:
            return self.request.sendall(b"HTTP/1.1 404 Not Found\r\nConnection: close\r\n\r\n")
        accept = hashlib.sha1((headers["sec-websocket-key"] + "258EAFA5-E914-47DA-95CA-C5AB0DC85B11").encode()).digest()
        self.request.sendall(b"HTTP/1.1 101 Switching Protocols\r\nUpgrade: websocket\r\nConnection: Upgrade\r\nSec-WebSocket-Accept: "
                             + base64.b64encode(accept) + b"\r\n\r\n")
        self.request.settimeout(60)
        # Who does not read is let go, rather than waited for.
        self.request.setsockopt(socket.SOL_SOCKET, socket.SO_SNDTIMEO, struct.pack("ll", 2, 0))
        self.sending, self.room, self.last, self.bads = threading.Lock(), MOST_MESSAGES, time.monotonic(), 0
        try:
            self.adverts() if path == "/adverts" else self.serve()
        except (OSError, EOFError, struct.error):
            pass
        finally:
            self.robot.gone(self)

    def answer(self, text):
        self.request.sendall(f"HTTP/1.1 200 OK\r\nContent-Type: application/json\r\nContent-Length: {len(text)}\r\nConnection: close\r\n\r\n{text}".encode())

    def adverts(self):
        while True:
            self.send(json.dumps(self.robot.advert()))
            time.sleep(0.5)

    def serve(self):
        while True:
            text = self.receive()
            now = time.monotonic()
            weight = HELLO if '"hello"' in text else 1
            self.room = min(MOST_MESSAGES, self.room + (now - self.last) * MOST_MESSAGES) - weight
            self.last = now
            if self.room < 0:
                self.say("bad", why="tooMany")
                return self.close()
            try:
                frame = json.loads(text)
            except ValueError:
                self.bad("notJson")
                continue
            with self.robot.lock:
                self.robot.take(self, frame) if is_frame(frame) else self.bad("unknown")
            if self.bads >= MOST_BAD:
                return self.close()

    def bad(self, why):
        self.bads += 1
        self.say("bad", why=why)

    def say(self, what, /, **fields):
        try:
            self.send(json.dumps({"type": what, **fields}))
        except OSError:
            self.close()

    def send(self, text):
        data = text.encode()
        length = bytes([len(data)]) if len(data) < 126 else b"\x7e" + struct.pack("!H", len(data))
        with self.sending:
            self.request.sendall(b"\x81" + length + data)

    def take_bytes(self, count):
        data = b""
        while len(data) < count:
            more = self.request.recv(min(65536, count - len(data)))
            if not more:
                raise EOFError
            data += more
        return data

    def receive(self):
        """The next text; pings are answered on the way."""
        whole = b""
        while True:
            first, second = self.take_bytes(2)
            length = second & 127
            if length > 125:
                length = struct.unpack("!H" if length == 126 else "!Q", self.take_bytes(2 if length == 126 else 8))[0]
            if length + len(whole) > LONGEST:
                self.say("bad", why="tooLong")
                raise EOFError
            mask = self.take_bytes(4)
            data = self.take_bytes(length)
            plain = (int.from_bytes(data, "big") ^ int.from_bytes((mask * (length // 4 + 1))[:length], "big")).to_bytes(length, "big")
            kind = first & 15
            if kind == 8:
                raise EOFError
            if kind == 9:
                with self.sending:
                    self.request.sendall(b"\x8a" + bytes([len(plain)]) + plain)
            if kind in (0, 1, 2):
                whole += plain
                if first & 128:
                    return whole.decode("utf-8", "replace") if kind != 2 else ""

    def close(self):
        try:
            self.request.shutdown(socket.SHUT_RDWR)
        except OSError:
            pass


class Server(socketserver.ThreadingTCPServer):
    allow_reuse_address = daemon_threads = True


def main():
    parser = argparse.ArgumentParser(description="A small robot for Lantern Step.")
    parser.add_argument("--port", type=int, default=4180)
    parser.add_argument("--id", default="lugger")
    parser.add_argument("--name", default="Lugger")
    parser.add_argument("--fault", choices=["deaf", "rows", "signs"])
    options = parser.parse_args()
    robot = Line.robot = Robot(options)
    server = Server(("127.0.0.1", options.port), Line)
    threading.Thread(target=server.serve_forever, daemon=True).start()
    threading.Thread(target=lambda: [robot.press() for _ in sys.stdin], daemon=True).start()
    print(f"ws://localhost:{server.server_address[1]}/robots/{robot.id}", flush=True)
    before = time.monotonic()
    while True:
        time.sleep(0.02)
        now = time.monotonic()
        robot.tick(min(0.1, now - before))
        before = now


if __name__ == "__main__":
    main()
