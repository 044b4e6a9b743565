using System.Diagnostics;
using Kalypto.Core.Packing;
using Kalypto.Store;

namespace Kalypto.Application.Building;

/// <summary>A build that this process holds: tells how far it is, and that the process lives.</summary>
internal sealed class HeldBuild(BuildStore builds, int id)
{
    // Also when nothing went on: the lease is held by it, and a wish to end the build is seen.
    private static readonly TimeSpan AtLeast = TimeSpan.FromSeconds(1);
    private (int Done, int Drawn, int ProofsLeft) told = (-1, -1, 0);
    private long toldAt;

    public int Id => id;

    /// <summary>Tells how far it is.</summary>
    /// <param name="wanted">The picture files to come.</param>
    /// <param name="drawn">What is drawn.</param>
    /// <param name="before">The keys of what was drawn when it began.</param>
    /// <param name="lease">How long nobody else may take it.</param>
    /// <param name="cancel">Ends the wait.</param>
    /// <param name="proofsLeft">Screens that are still to be compared with the browser.</param>
    /// <exception cref="LostException">Another process holds it by now.</exception>
    /// <exception cref="CancelledException">Somebody asked to end it.</exception>
    public async Task TellAsync(List<PlannedFile> wanted, IReadOnlyDictionary<string, DrawingRow> drawn, HashSet<string> before, TimeSpan lease, CancellationToken cancel, int proofsLeft = 0)
    {
        var now = (wanted.Count(f => drawn.ContainsKey(f.Key.Hex)), wanted.Select(f => f.Key.Hex).Distinct().Count(k => drawn.ContainsKey(k) && !before.Contains(k)), proofsLeft);
        if (now == told && Stopwatch.GetElapsedTime(toldAt) < AtLeast)
        {
            return;
        }
        var (isHeld, isCancelled) = await builds.ProgressAsync(id, now.Item1, now.Item2, lease, cancel, proofsLeft);
        (told, toldAt) = (now, Stopwatch.GetTimestamp());
        if (!isHeld)
        {
            throw new LostException();
        }
        if (isCancelled)
        {
            throw new CancelledException();
        }
    }

    /// <summary>Another process holds the build.</summary>
    internal sealed class LostException : Exception;

    /// <summary>Somebody asked to end the build.</summary>
    internal sealed class CancelledException : Exception;
}
