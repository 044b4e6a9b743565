using System.Collections.Concurrent;
using Kalypto.Core.Designs;
using Kalypto.Core.Rendering;
using Kalypto.Store;

namespace Kalypto.Application.Desk;

/// <summary>What was drawn by both engines and what that has shown, of screens and of pictures.</summary>
public sealed class ProofBook(DrawingDesk desk, ProofStore store, ProvenLayers proven)
{
    private readonly ConcurrentDictionary<string, ProofRow> known = new();

    /// <summary>Name and version of both engines; null where there is no exact one, and so nothing to prove.</summary>
    public string? Engines => proven.Engines;

    /// <summary>Those of the keys that are proved.</summary>
    public async Task<IReadOnlyDictionary<string, ProofRow>> FindAsync(IEnumerable<string> keys, CancellationToken cancel)
    {
        var found = new Dictionary<string, ProofRow>();
        var missing = new HashSet<string>();
        foreach (var key in keys)
        {
            if (known.TryGetValue(key, out var row))
            {
                found[key] = row;
            }
            else
            {
                missing.Add(key);
            }
        }
        foreach (var row in missing.Count > 0 ? (await store.FindAsync(missing, cancel)).Values : [])
        {
            found[row.Key] = row;
            Keep(row);
        }
        return found;
    }

    /// <summary>Keeps what came of a proof.</summary>
    /// <param name="taken">The job that asked for it.</param>
    /// <param name="equal">The share that ships as a browser shows it, from 0 to 1; null when it could not be drawn.</param>
    /// <param name="elements">The elements that are drawn exactly from now on, with the share of their ink that was other.</param>
    /// <param name="why">What could not be drawn; null when all could.</param>
    /// <param name="wasRead">False when the drawing itself could not be had.</param>
    /// <param name="marks">The picture that marks what is other; null for none.</param>
    /// <param name="cancel">Ends the wait.</param>
    /// <returns>False when it failed in a way that may pass, and is to be tried again.</returns>
    public async Task<bool> EndAsync(TakenJob taken, double? equal, IReadOnlyDictionary<Fingerprint, double> elements, Drawn? why, bool wasRead, byte[]? marks, CancellationToken cancel)
    {
        // What ran out of time does so again, and builds wait for it.
        if (why is { IsPassing: true, IsSlow: false } && !taken.IsLast)
        {
            return false;
        }
        var row = new ProofRow(taken.Job.Key, equal, elements.Count, why?.Failure) { IsPassing = equal is null && (why?.IsPassing == true || !wasRead) };
        await store.PutAsync(row, Engines ?? "", elements, marks, cancel);
        Keep(row);
        await proven.LoadAsync(cancel);
        desk.HearDrawn(row.Key);
        return true;
    }

    private void Keep(ProofRow row)
    {
        if (!row.IsPassing)
        {
            known[row.Key] = row;
        }
    }
}
