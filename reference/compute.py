"""Reference values from general-purpose packages, as rows `case,quantity,at,value`.

Nothing here knows the solver of the project: properties are written out again from the component
equations, conduction is SciPy's method of lines on a fine even grid or the series with SciPy's
special functions, moist air is PsychroLib's, convection and radiation are ht's.
"""

import math
import platform
from importlib.metadata import version

import ht
import numpy as np
import psychrolib
from Heisler import Heisler
from scipy.integrate import solve_ivp
from scipy.optimize import brentq
from scipy.special import erf, erfc, j0, j1

PACKAGES = ["ht", "Heisler", "PsychroLib", "numpy", "scipy"]
KELVIN = 273.15
PRESSURE = 101325.0


def row(case, quantity, at, value):
    print(f"{case},{quantity},{at:g},{value:.6g}")


def component(a, b, c=0.0):
    return lambda t: a + b * t + c * t * t


# Component equations of the ASHRAE Handbook - Refrigeration (from memory): k, rho, cp.
COMPONENTS = [
    (component(0.57109, 1.7625e-3, -6.7036e-6), component(997.18, 3.1439e-3, -3.7574e-3),
     component(4128.9, -9.0864e-2, 5.4731e-3)),
    (component(0.17881, 1.1958e-3, -2.7178e-6), component(1329.9, -0.5184),
     component(2008.2, 1.2089, -1.3129e-3)),
    (component(0.18071, -2.7604e-4, -1.7749e-7), component(925.59, -0.41757),
     component(1984.2, 1.4733, -4.8008e-3)),
    (component(0.32962, 1.4011e-3, -2.9069e-6), component(2423.8, -0.28063),
     component(1092.6, 1.8896, -3.6817e-3)),
]
LOIN = [0.71, 0.21, 0.07, 0.01]


def loin(t):
    """Conductivity (volumes in parallel) and volumetric heat capacity (density of 20 degC)."""
    volumes = [m / rho(t) for m, (_, rho, _) in zip(LOIN, COMPONENTS)]
    k = sum(v * k(t) for v, (k, _, _) in zip(volumes, COMPONENTS)) / sum(volumes)
    density = 1.0 / sum(m / rho(20.0) for m, (_, rho, _) in zip(LOIN, COMPONENTS))
    # Fat melts between 4 and 48 degC, most of it in the middle: 60 kJ/kg.
    part = np.clip((t - 4.0) / 44.0, 0.0, 1.0)
    melting = 60e3 * 6.0 * part * (1.0 - part) / 44.0
    return k, density * (sum(m * cp(t) for m, (_, _, cp) in zip(LOIN, COMPONENTS)) + LOIN[2] * melting)


def slab(flux_above, flux_below, minutes, top, thickness=0.04, cells=400, start=5.0):
    """Lines of an even slab. A flux takes the temperature of the face and gives W/m2 and the water
    that leaves, kg/m2s; that water is missing from all cells alike and stores no more heat."""
    dx = thickness / cells
    _, heat = loin(20.0)
    density = 1.0 / sum(m / rho(20.0) for m, (_, rho, _) in zip(LOIN, COMPONENTS))
    water = LOIN[0] * density * thickness
    share = LOIN[0] * density * 4180.0 / heat

    def face(flux, t, k):
        """Face temperature at which the flux goes on into the half cell."""
        return brentq(lambda s: flux(s)[0] - k * (s - t) / (dx / 2), -20.0, top, xtol=1e-10)

    def change(_, state):
        t, lost = state[:-1], state[-1]
        k, c = loin(t)
        c = c * (1.0 - share * lost / water)
        between = 0.5 * (k[1:] + k[:-1]) * np.diff(t) / dx
        net, leaving = np.zeros(cells), 0.0
        net[:-1] += between
        net[1:] -= between
        for end, flux in ((0, flux_above), (-1, flux_below)):
            s = face(flux, t[end], k[end])
            net[end] += k[end] * (s - t[end]) / (dx / 2)
            leaving += flux(s)[1]
        return np.append(net / (c * dx), leaving)

    times = [60.0 * m for m in minutes]
    found = solve_ivp(change, (0.0, times[-1]), np.append(np.full(cells, start), 0.0), method="BDF",
                      t_eval=times, rtol=1e-7, atol=1e-6)
    for n, m in enumerate(minutes):
        t = found.y[:-1, n]
        k, _ = loin(t)
        yield m, t.min(), face(flux_above, t[0], k[0]), face(flux_below, t[-1], k[-1])


def convection_and_radiation(h, air, radiant, emissivity):
    return lambda s: (h * (air - s) + ht.q_rad(emissivity, radiant + KELVIN, s + KELVIN), 0.0)


def wet(h, air, vapour):
    """Evaporation by the Chilton-Colburn analogy with Stefan flow and ASHRAE's saturation."""

    def flux(s):
        film = 0.5 * (air + s) + KELVIN
        transfer = h * film / (PRESSURE / 287.0 * 1007.0 * 0.90)
        # Bounded below boiling, where the flow is without bound.
        p = min(psychrolib.GetSatVapPres(max(s, -20.0)), PRESSURE * (1 - 1e-9))
        rate = transfer * PRESSURE / (461.5 * (s + KELVIN)) * math.log((PRESSURE - vapour) / (PRESSURE - p))
        return h * (air - s) - (2.501e6 - 2440.0 * s) * rate, rate

    return flux


def neumann(minutes, start=10.0, surface=-20.0):
    """Neumann's two-phase freezing of a half space of water-like stuff whose surface is suddenly cold:
    depth of the front, and the temperature 20 mm deep."""
    (k_s, c_s), (k_l, c_l), latent = (2.2, 1.9e6), (0.57, 4.2e6), 334e6
    a_s, a_l = k_s / c_s, k_l / c_l

    def balance(x):
        ratio = math.sqrt(a_s / a_l)
        solid = k_s * -surface / math.sqrt(a_s) * math.exp(-x * x) / erf(x)
        liquid = k_l * start / math.sqrt(a_l) * math.exp(-(x * ratio) ** 2) / erfc(x * ratio)
        return solid - liquid - latent * x * math.sqrt(math.pi * a_s)

    x = brentq(balance, 1e-6, 3.0)
    for m in minutes:
        s = 60.0 * m
        front = 2.0 * x * math.sqrt(a_s * s)
        z = 0.02
        if z < front:
            t = surface * (1.0 - erf(z / 2 / math.sqrt(a_s * s)) / erf(x))
        else:
            t = start * (1.0 - erfc(z / 2 / math.sqrt(a_l * s)) / erfc(x * math.sqrt(a_s / a_l)))
        yield m, 1e3 * front, t


def finite_cylinder(bi_wall, fo_wall, bi_ring, fo_ring, terms=60):
    """Centre of the product of wall and long cylinder, 1 at the start and 0 at the end."""
    wall = ring = 0.0
    for n in range(terms):
        z = brentq(lambda x: x * math.tan(x) - bi_wall, n * math.pi + 1e-9, n * math.pi + math.pi / 2 - 1e-9)
        wall += 4 * math.sin(z) / (2 * z + math.sin(2 * z)) * math.exp(-z * z * fo_wall)
    zeros = [1e-9]
    grid = np.linspace(1e-6, terms * math.pi, 40 * terms)
    values = j0(grid) * bi_ring - grid * j1(grid)
    for a, b, u, v in zip(grid, grid[1:], values, values[1:]):
        if u * v < 0:
            z = brentq(lambda x: bi_ring * j0(x) - x * j1(x), a, b)
            zeros.append(z)
            ring += 2 * j1(z) / (z * (j0(z) ** 2 + j1(z) ** 2)) * math.exp(-z * z * fo_ring)
    return wall * ring


def rod_of_two(minutes, radius=0.022, shaft=0.00484, h=60.0, air=200.0, start=5.0, cells=600):
    """A long dry rod with a shaft of another material in it: centre and the face of the shaft."""
    edges = np.linspace(0.0, radius, cells + 1)
    middle = 0.5 * (edges[1:] + edges[:-1])
    bone = middle < shaft
    k = np.where(bone, 0.35, 0.5)
    stored = np.where(bone, 2.4e6, 1050.0 * 3450.0) * (edges[1:] ** 2 - edges[:-1] ** 2) / 2
    half = (edges[1] - edges[0]) / 2
    inner = edges[1:-1] / (half / k[1:] + half / k[:-1])
    outer = radius / (1 / h + half / k[-1])

    def change(_, t):
        flow = inner * (t[1:] - t[:-1])
        gain = np.zeros(cells)
        gain[:-1] += flow
        gain[1:] -= flow
        gain[-1] += outer * (air - t[-1])
        return gain / stored

    at = [60.0 * m for m in minutes]
    solved = solve_ivp(change, (0, at[-1]), np.full(cells, start), "BDF", at, rtol=1e-9, atol=1e-8)
    at_face = int(np.searchsorted(middle, shaft))
    for m, t in zip(minutes, solved.y.T):
        yield m, t[0], 0.5 * (t[at_face - 1] + t[at_face])


def main():
    psychrolib.SetUnitSystem(psychrolib.SI)
    versions = " ".join(f"{name} {version(name)}" for name in PACKAGES)
    print(f"# python {platform.python_version()} {versions}")
    print("case,quantity,at,value")

    for t in [1, 5, 10, 20, 30, 40, 50, 60, 70, 80, 90, 95, 99]:
        row("psychrolib", "saturation_pressure_pa", t, psychrolib.GetSatVapPres(t))
    for air, humidity in [(60, 0.1), (90, 0.05), (120, 0.02), (150, 0.01)]:
        row("psychrolib", f"wet_bulb_at_humidity_{humidity}", air,
            psychrolib.GetTWetBulbFromRelHum(air, humidity, PRESSURE))
        row("psychrolib", f"vapour_at_humidity_{humidity}", air,
            psychrolib.GetVapPresFromRelHum(air, humidity))

    # ht: what a fan of 4 and 8 m/s gives a round piece of 25 and 44 mm in air of 150 degC.
    for speed in (4.0, 8.0):
        for diameter in (0.025, 0.044):
            reynolds = speed * diameter / 2.86e-5
            h = ht.Nu_external_cylinder(Re=reynolds, Pr=0.70) * 0.035 / diameter
            row("ht", f"convection_at_{speed:g}_m_s", diameter * 1e3, h)
    # ht: a warm round piece of 80 mm resting in a kitchen, 60 degC over 21 degC.
    grashof = 9.81 / 313.65 * 39.0 * 0.08**3 / 1.70e-5**2
    row("ht", "convection_at_rest", 80, ht.Nu_horizontal_cylinder(Pr=0.71, Gr=grashof) * 0.0272 / 0.08)
    # ht: a warm plate of 120 mm looking up in a kitchen, 60 degC over 21 degC; length is area over rim.
    rayleigh = 9.81 / 313.65 * 39.0 * 0.03**3 / (1.70e-5 * 2.41e-5)
    row("ht", "plate_at_rest", 120,
        ht.Nu_free_horizontal_plate(0.71, rayleigh / 0.71, buoyancy=True) * 0.0272 / 0.03)
    for m, front, t in neumann([10, 30, 60, 120]):
        row("scipy", "neumann_front_mm", m, front)
        row("scipy", "neumann_at_20_mm", m, t)
    row("ht", "radiation_w_m2", 200, ht.q_rad(0.6, 200 + KELVIN, 80 + KELVIN))

    # Dimensionless numbers of the charts; the charts of that package are pictures, not numbers.
    bi, fo = Heisler("cylinder", "ct").calculator(0.5 / (1050 * 3450), 0.025, 60.0, 0.5, 1800.0, verbose=0)
    row("heisler", "biot_of_the_cylinder", 30, bi)
    row("heisler", "fourier_of_the_cylinder", 30, fo)
    for m in (5, 10, 20, 30):
        alpha = 0.5 / (1050 * 3450)
        row("scipy", "finite_cylinder_centre", m, finite_cylinder(
            60 * 0.02 / 0.5, alpha * m * 60 / 0.02**2, 60 * 0.025 / 0.5, alpha * m * 60 / 0.025**2))

    minutes = [2, 5, 10, 20, 30]
    above = convection_and_radiation(60.0, 180.0, 210.0, 0.6)
    below = convection_and_radiation(35.0, 160.0, 160.0, 0.6)
    for m, centre, face in rod_of_two([5, 10, 20]):
        row("scipy", "rod_of_two_centre", m, centre)
        row("scipy", "rod_of_two_shaft", m, face)

    for m, core, upper, lower in slab(above, below, minutes, top=400.0):
        row("scipy", "dry_slab_core", m, core)
        row("scipy", "dry_slab_upper", m, upper)
        row("scipy", "dry_slab_lower", m, lower)
    above, below = wet(60.0, 180.0, 3000.0), wet(35.0, 160.0, 3000.0)
    for m, core, upper, lower in slab(above, below, minutes, top=99.9):
        row("scipy", "wet_slab_core", m, core)
        row("scipy", "wet_slab_upper", m, upper)
        row("scipy", "wet_slab_lower", m, lower)


if __name__ == "__main__":
    main()
