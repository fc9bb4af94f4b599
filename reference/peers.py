"""The linear reference of `crates/core/benches/model.rs` by general-purpose packages, timed.

A finite cylinder of 50 mm across and 40 mm high, k 0.5 W/mK, 1050 kg/m3, 3450 J/kgK, from 5 C into air of
200 C at 60 W/m2K, for half an hour. Prints for each: milliseconds (median of nine) and how far its centre is
from the product of the two series.
"""

import statistics
import time

import numpy as np
from scipy.integrate import solve_ivp
from scipy.sparse import coo_matrix, identity
from scipy.sparse.linalg import splu

from compute import finite_cylinder

K, RHO, CP, H, AIR, START = 0.5, 1050.0, 3450.0, 60.0, 200.0, 5.0
RADIUS, HEIGHT, SECONDS = 0.025, 0.04, 1800.0


def system(rows, columns):
    """Finite volumes: dT/dt = A T + b, upper half of the cylinder."""
    dr, dz = RADIUS / columns, HEIGHT / 2 / rows
    edges = np.linspace(0.0, RADIUS, columns + 1)
    ring = np.pi * (edges[1:] ** 2 - edges[:-1] ** 2)
    entries, drive = {}, np.zeros(rows * columns)

    def add(i, j, conductance):
        entries[i, j] = entries.get((i, j), 0.0) + conductance

    for i in range(rows):
        for j in range(columns):
            here, capacity = i * columns + j, RHO * CP * ring[j] * dz

            def link(there, conductance):
                add(here, there, conductance / capacity)
                add(here, here, -conductance / capacity)

            def face(area, half):
                conductance = area / (1.0 / H + half / K) / capacity
                add(here, here, -conductance)
                drive[here] += conductance * AIR

            if i > 0:
                link(here - columns, K * ring[j] / dz)
            if i + 1 < rows:
                link(here + columns, K * ring[j] / dz)
            else:
                face(ring[j], dz / 2)
            if j > 0:
                link(here - 1, K * 2 * np.pi * edges[j] * dz / dr)
            if j + 1 < columns:
                link(here + 1, K * 2 * np.pi * edges[j + 1] * dz / dr)
            else:
                face(2 * np.pi * RADIUS * dz, dr / 2)
    where = np.array(list(entries)).T
    matrix = coo_matrix((list(entries.values()), where), shape=[rows * columns] * 2).tocsc()
    return matrix, drive


def crank_nicolson(rows, columns, step):
    matrix, drive = system(rows, columns)
    one = identity(rows * columns, format="csc")
    # A start of two implicit half steps damps the jump at the face.
    implicit = splu(one - 0.5 * step * matrix)
    state = np.full(rows * columns, START)
    for _ in range(2):
        state = implicit.solve(state + 0.5 * step * drive)
    explicit = one + 0.5 * step * matrix
    for _ in range(round(SECONDS / step) - 1):
        state = implicit.solve(explicit @ state + step * drive)
    return state


def lsoda(rows, columns, tolerance):
    matrix, drive = system(rows, columns)
    return solve_ivp(
        lambda _, state: matrix @ state + drive,
        (0.0, SECONDS),
        np.full(rows * columns, START),
        method="LSODA",
        rtol=tolerance,
        atol=tolerance * 100.0,
        lband=columns,
        uband=columns,
    ).y[:, -1]


def centre(state, columns):
    """The middle by the two cells beside it along each direction: the profile is even there."""
    axis = lambda i: (9.0 * state[i * columns] - state[i * columns + 1]) / 8.0
    return (9.0 * axis(0) - axis(1)) / 8.0


def main():
    diffusivity = K / (RHO * CP)
    theta = finite_cylinder(
        H * HEIGHT / 2 / K,
        diffusivity * SECONDS / (HEIGHT / 2) ** 2,
        H * RADIUS / K,
        diffusivity * SECONDS / RADIUS**2,
    )
    exact = AIR + (START - AIR) * theta
    for name, columns, solve in [
        ("sparse Crank-Nicolson, 10 x 12 cells, 20 s", 12, lambda: crank_nicolson(10, 12, 20.0)),
        ("sparse Crank-Nicolson, 16 x 20 cells, 15 s", 20, lambda: crank_nicolson(16, 20, 15.0)),
        ("LSODA, 10 x 12 cells", 12, lambda: lsoda(10, 12, 1e-4)),
        ("LSODA, 16 x 20 cells", 20, lambda: lsoda(16, 20, 1e-5)),
    ]:
        times = []
        for _ in range(9):
            begun = time.perf_counter()
            state = solve()
            times.append(1e3 * (time.perf_counter() - begun))
        miss = centre(state, columns) - exact
        print(f"{name}: {statistics.median(times):.1f} ms, {abs(miss):.3f} K off {exact:.3f} °C")


if __name__ == "__main__":
    main()
