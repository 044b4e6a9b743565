using System.Text.Json.Serialization;

namespace Kalypto.Web.Models;

/// <summary>A row of the ledger. Thousands go to a page at once, so what is empty or false is left out and filled in there.</summary>
public sealed record RowModel
{
    /// <summary>The layer.</summary>
    public required int Ordinal { get; init; }

    /// <summary>The row that it lies in; -1 for the screen.</summary>
    public required int Parent { get; init; }

    /// <summary>0 for the screen.</summary>
    public required int Depth { get; init; }

    /// <summary>Its ship name, or the drawing's.</summary>
    public required string Name { get; init; }

    /// <summary>The drawing's name where the ship name is another.</summary>
    [JsonIgnore(Condition = JsonIgnoreCondition.WhenWritingNull)]
    public string? DrawnName { get; init; }

    /// <summary>True when nobody named it yet.</summary>
    [JsonIgnore(Condition = JsonIgnoreCondition.WhenWritingDefault)]
    public bool NotNamed { get; init; }

    /// <summary>What it is, in a few words.</summary>
    public required string Note { get; init; }

    /// <summary>open, ship, code or leave.</summary>
    public required string Decision { get; init; }

    /// <summary>The shipped or left layer around it.</summary>
    [JsonIgnore(Condition = JsonIgnoreCondition.WhenWritingNull)]
    public string? CoveredBy { get; init; }

    /// <summary>True when rows lie in it.</summary>
    [JsonIgnore(Condition = JsonIgnoreCondition.WhenWritingDefault)]
    public bool HasChildren { get; init; }

    /// <summary>Its kind.</summary>
    [JsonIgnore(Condition = JsonIgnoreCondition.WhenWritingNull)]
    public string? Kind { get; init; }

    /// <summary>True when somebody gave the kind.</summary>
    [JsonIgnore(Condition = JsonIgnoreCondition.WhenWritingDefault)]
    public bool KindIsSaid { get; init; }

    /// <summary>Its tags; null for none.</summary>
    [JsonIgnore(Condition = JsonIgnoreCondition.WhenWritingNull)]
    public IReadOnlyList<string>? Tags { get; init; }

    /// <summary>How it is made.</summary>
    [JsonIgnore(Condition = JsonIgnoreCondition.WhenWritingNull)]
    public string? Made { get; init; }

    /// <summary>True when the layer itself says how it is made.</summary>
    [JsonIgnore(Condition = JsonIgnoreCondition.WhenWritingDefault)]
    public bool MadeIsSaid { get; init; }

    /// <summary>The tags that stand behind the name in the drawing.</summary>
    public string? DrawnTags { get; init; }

    /// <summary>Its size in pt.</summary>
    public required string Size { get; init; }

    /// <summary>Left, top, width and height of its crop or shape on the screen, in pt.</summary>
    [JsonIgnore(Condition = JsonIgnoreCondition.WhenWritingNull)]
    public double[]? Box { get; init; }

    /// <summary>The same of its ink, when it was drawn.</summary>
    [JsonIgnore(Condition = JsonIgnoreCondition.WhenWritingNull)]
    public double[]? Ink { get; init; }

    /// <summary>How many files come of it.</summary>
    [JsonIgnore(Condition = JsonIgnoreCondition.WhenWritingDefault)]
    public int Files { get; init; }

    /// <summary>Their weight.</summary>
    [JsonIgnore(Condition = JsonIgnoreCondition.WhenWritingDefault)]
    public long Bytes { get; init; }

    /// <summary>True when a part of the weight is estimated.</summary>
    [JsonIgnore(Condition = JsonIgnoreCondition.WhenWritingDefault)]
    public bool IsEstimate { get; init; }

    /// <summary>The weight as people read it.</summary>
    [JsonIgnore(Condition = JsonIgnoreCondition.WhenWritingNull)]
    public string? Weight { get; init; }

    /// <summary>The layer that its files are made of, when the same drawing stands in several places.</summary>
    [JsonIgnore(Condition = JsonIgnoreCondition.WhenWritingNull)]
    public string? MadeWith { get; init; }

    /// <summary>What was found; null for nothing.</summary>
    [JsonIgnore(Condition = JsonIgnoreCondition.WhenWritingNull)]
    public IReadOnlyList<FindingModel>? Findings { get; init; }

    /// <summary>Changes when its picture does.</summary>
    public required string Thumb { get; init; }

    /// <summary>True when it is not seen in the drawing.</summary>
    [JsonIgnore(Condition = JsonIgnoreCondition.WhenWritingDefault)]
    public bool Hidden { get; init; }

    /// <summary>True when it is seen and reaches nobody.</summary>
    [JsonIgnore(Condition = JsonIgnoreCondition.WhenWritingDefault)]
    public bool Nobody { get; init; }

    /// <summary>True when it was put together.</summary>
    [JsonIgnore(Condition = JsonIgnoreCondition.WhenWritingDefault)]
    public bool Combined { get; init; }

    /// <summary>In how many places the same drawing stands.</summary>
    [JsonIgnore(Condition = JsonIgnoreCondition.WhenWritingDefault)]
    public int Places { get; init; }

    /// <summary>True when it shares nothing with those places.</summary>
    [JsonIgnore(Condition = JsonIgnoreCondition.WhenWritingDefault)]
    public bool Apart { get; init; }

    /// <summary>What it probably is.</summary>
    [JsonIgnore(Condition = JsonIgnoreCondition.WhenWritingNull)]
    public SuggestionModel? Suggestion { get; init; }
}
