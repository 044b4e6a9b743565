using System.Collections.Immutable;
using System.Text.Json;
using Kalypto.Core.Designs;

namespace Kalypto.Core.Checking;

/// <summary>What a project says of checks: how much each matters to it, which are off, and which findings are as they should be.</summary>
public sealed record CheckBook
{
    private const int LongestReason = 200;

    private sealed record Saved(Dictionary<string, Severity>? Severities, string[]? Off, SavedSuppression[]? Suppressed);

    private sealed record SavedSuppression(string Check, int Design, int Layer, string About, string Reason);

    /// <summary>Says nothing: everything is as it comes with Kalypto.</summary>
    public static CheckBook Usual { get; } = new();

    /// <summary>How much checks matter that the project gave another severity, by id.</summary>
    public ImmutableSortedDictionary<string, Severity> Severities { get; init; } = ImmutableSortedDictionary.Create<string, Severity>(StringComparer.Ordinal);

    /// <summary>The ids of checks that are off.</summary>
    public ImmutableSortedSet<string> Off { get; init; } = ImmutableSortedSet.Create<string>(StringComparer.Ordinal);

    /// <summary>Findings that are as they should be.</summary>
    public ImmutableArray<Suppression> Suppressed { get; init; } = [];

    /// <summary>The book with a check of another severity; null for what it comes with. An essential one stays as it is.</summary>
    public CheckBook With(ICheck check, Severity? severity) =>
        check.IsEssential ? this : this with { Severities = severity is { } said ? Severities.SetItem(check.Id, said) : Severities.Remove(check.Id) };

    /// <summary>The book with a check on or off. An essential one stays on.</summary>
    public CheckBook With(ICheck check, bool isOn) => check.IsEssential ? this : this with { Off = isOn ? Off.Remove(check.Id) : Off.Add(check.Id) };

    /// <summary>The book in which one finding is as it should be. Findings of an essential check cannot be.</summary>
    public CheckBook Suppress(Finding finding, string reason) => Checks.Find(finding.Check) is not { IsEssential: false } ? this
        : Again(finding) with { Suppressed = [.. Again(finding).Suppressed, new(finding.Check, finding.Layer, finding.About, Naming.PlainText.Clean(reason, LongestReason))] };

    /// <summary>The book in which a finding is told again.</summary>
    public CheckBook Again(Finding finding) => this with { Suppressed = [.. Suppressed.Where(s => !s.IsOf(finding))] };

    /// <summary>What is told of findings, the worst first, and what is not, with the reason.</summary>
    public (ImmutableArray<Finding> Told, ImmutableArray<(Finding Finding, string Reason)> Suppressed) Sort(IEnumerable<Finding> findings)
    {
        var told = new List<Finding>();
        var suppressed = ImmutableArray.CreateBuilder<(Finding, string)>();
        foreach (var finding in findings)
        {
            if (Suppressed.IsEmpty || Suppressed.FirstOrDefault(s => s.IsOf(finding)) is not { } said)
            {
                told.Add(Severities.TryGetValue(finding.Check, out var severity) ? finding with { Severity = severity } : finding);
            }
            else
            {
                suppressed.Add((finding, said.Reason));
            }
        }
        return ([.. told.OrderBy(f => f.Severity)], suppressed.ToImmutable());
    }

    /// <summary>Writes it as JSON; empty when it says nothing.</summary>
    public string ToJson() => Severities.IsEmpty && Off.IsEmpty && Suppressed.IsEmpty ? "" : JsonSerializer.Serialize(new Saved(
        Severities.ToDictionary(), [.. Off], [.. Suppressed.Select(s => new SavedSuppression(s.Check, s.Layer.Design, s.Layer.Ordinal, s.About, s.Reason))]));

    /// <summary>Reads it back. What is said of checks that there are no longer is left out; text that is no book says nothing.</summary>
    public static CheckBook Read(string json)
    {
        try
        {
            if (json.Length == 0 || JsonSerializer.Deserialize<Saved>(json) is not { } saved)
            {
                return Usual;
            }
            bool IsFree(string id) => Checks.Find(id) is { IsEssential: false };
            return new()
            {
                Severities = Usual.Severities.AddRange((saved.Severities ?? []).Where(s => IsFree(s.Key) && Enum.IsDefined(s.Value))),
                Off = Usual.Off.Union((saved.Off ?? []).Where(IsFree)),
                Suppressed = [.. (saved.Suppressed ?? []).Where(s => IsFree(s.Check)).Select(s => new Suppression(s.Check, new LayerRef(s.Design, s.Layer), s.About ?? "", s.Reason ?? ""))],
            };
        }
        catch (JsonException)
        {
            return Usual;
        }
    }
}
