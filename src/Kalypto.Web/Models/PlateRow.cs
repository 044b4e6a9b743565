namespace Kalypto.Web.Models;

/// <summary>A number in the key of a plate.</summary>
/// <param name="Number">The number.</param>
/// <param name="Kind">picture, box or words.</param>
/// <param name="Layer">The ordinal of its layer.</param>
/// <param name="Name">What it is called; of words, the words.</param>
/// <param name="About">What it is, in a few words.</param>
/// <param name="Size">Its size in pt.</param>
/// <param name="Facts">Its files, or its most important values.</param>
/// <param name="Thumb">The address of a small picture.</param>
/// <param name="IsNew">True when it is new or other than in the delivery before.</param>
/// <param name="Places">Its boxes on the screen in pt: x, y, width, height.</param>
public sealed record PlateRow(int Number, string Kind, int Layer, string Name, string About, string Size, string Facts, string Thumb, bool IsNew, IReadOnlyList<double[]> Places);
