using System.Text.Json.Serialization;
using Kalypto.Core.Arranging;
using Kalypto.Core.Fonts;

namespace Kalypto.Store;

/// <summary>A design with the draft that holds.</summary>
/// <param name="Id">The number of the design.</param>
/// <param name="ProjectId">Its project.</param>
/// <param name="Name">Its name.</param>
/// <param name="DrawnAt">Drawing units in one pt.</param>
/// <param name="DraftId">The number of the draft among all drafts.</param>
/// <param name="DraftNumber">1 for the first draft of the design.</param>
/// <param name="FileSha256">The file of the draft.</param>
/// <param name="Arrangement">How the team orders that draft, as text; empty as the file has it.</param>
public sealed record DesignRow(int Id, int ProjectId, string Name, double DrawnAt, int DraftId, int DraftNumber, string FileSha256, string Arrangement)
{
    /// <summary>The lineages of the layers of the draft.</summary>
    public Lineages Lineages { get; init; } = Lineages.First(int.MaxValue);

    /// <summary>How many pairs of layers people are still to say.</summary>
    [JsonIgnore]
    public int Asked { get; init; }

    /// <summary>Credit lines that it brought along; null for those of its project.</summary>
    public Core.Formats.CreditLines? Credit { get; init; }

    /// <summary>Its place among the designs of the project, smallest first.</summary>
    public int Position { get; init; }

    /// <summary>The fonts of its project that draw it, as they are now.</summary>
    [JsonIgnore]
    public FontBook Fonts { get; init; } = FontBook.Empty;

    /// <summary>For addresses of its pictures: another one whenever they may be other.</summary>
    [JsonIgnore]
    public string PictureKey => Fonts.Fonts.IsEmpty ? $"{DraftId}" : $"{DraftId}-{Core.Designs.Fingerprint.Of(Fonts.Key).Hex[..8]}";

    /// <summary>When it was removed; null for one that is there.</summary>
    public DateTime? RemovedAt { get; init; }
}
