using System.Globalization;

namespace Kalypto.Drawing.Exact;

/// <summary>A process and all that descend from it, by what the kernel says of them (proc(5)).</summary>
public static class ProcessFamily
{
    private const double TicksASecond = 100;
    private static readonly long PageBytes = Environment.SystemPageSize;

    /// <summary>What they worked so far, and the memory that they hold: bytes of their own or shared, those of the largest counted as shared once.</summary>
    public static (TimeSpan Worked, long Memory) Of(int root)
    {
        var all = new Dictionary<int, (int Parent, double Seconds)>();
        foreach (var folder in Directory.EnumerateDirectories("/proc"))
        {
            if (int.TryParse(Path.GetFileName(folder), NumberStyles.None, CultureInfo.InvariantCulture, out var id) && Read($"{folder}/stat") is { } line)
            {
                // The name of the program stands in brackets and may hold anything.
                var fields = line[(line.LastIndexOf(')') + 2)..].Split(' ');
                all[id] = (int.Parse(fields[1], CultureInfo.InvariantCulture), (double.Parse(fields[11], CultureInfo.InvariantCulture) + double.Parse(fields[12], CultureInfo.InvariantCulture)) / TicksASecond);
            }
        }
        var family = new HashSet<int> { root };
        while (all.Any(p => family.Contains(p.Value.Parent) && family.Add(p.Key)))
        {
            // Until nobody is added.
        }
        var (own, shared) = (0L, 0L);
        foreach (var id in family)
        {
            if (Read($"/proc/{id}/statm")?.Split(' ') is [_, var resident, var common, ..])
            {
                var (r, s) = (long.Parse(resident, CultureInfo.InvariantCulture) * PageBytes, long.Parse(common, CultureInfo.InvariantCulture) * PageBytes);
                own += r - s;
                shared = Math.Max(shared, s);
            }
        }
        return (TimeSpan.FromSeconds(family.Sum(id => all.GetValueOrDefault(id).Seconds)), own + shared);
    }

    private static string? Read(string file)
    {
        try
        {
            return File.ReadAllText(file);
        }
        catch (Exception e) when (e is IOException or UnauthorizedAccessException)
        {
            // It has ended meanwhile.
            return null;
        }
    }
}
