namespace Kalypto.Architecture.Tests;

/// <summary>The folders of a project and which of them use which. A folder and those inside it are one room.</summary>
internal static class Rooms
{
    /// <summary>The circles, each told once, beginning with its first room by name.</summary>
    public static IReadOnlyList<string> Circles(ArchUnitNET.Domain.Architecture house, string project)
    {
        string? RoomOf(string space) => space.StartsWith(project + ".", StringComparison.Ordinal) ? space[(project.Length + 1)..].Split('.')[0] : null;
        var uses = new SortedDictionary<string, SortedSet<string>>(StringComparer.Ordinal);
        foreach (var type in house.Types.Where(t => RoomOf(t.Namespace.FullName) is not null))
        {
            var room = RoomOf(type.Namespace.FullName)!;
            foreach (var other in type.Dependencies.Select(d => RoomOf(d.Target.Namespace?.FullName ?? "")).OfType<string>().Where(o => o != room))
            {
                uses.TryAdd(room, []);
                uses[room].Add(other);
            }
        }
        var circles = new SortedSet<string>(StringComparer.Ordinal);
        foreach (var room in uses.Keys)
        {
            Walk(room, [room]);
        }
        return [.. circles];

        void Walk(string room, List<string> way)
        {
            foreach (var next in uses.GetValueOrDefault(room) ?? [])
            {
                if (next == way[0])
                {
                    circles.Add(string.Join(" -> ", [.. way, next]));
                }
                // Rooms before the first one were begun with already, so that each circle is told once.
                else if (string.CompareOrdinal(next, way[0]) > 0 && !way.Contains(next))
                {
                    Walk(next, [.. way, next]);
                }
            }
        }
    }
}
