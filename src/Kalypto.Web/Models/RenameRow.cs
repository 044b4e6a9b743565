namespace Kalypto.Web.Models;

/// <summary>A layer in the preview of new names.</summary>
public sealed record RenameRow(int Ordinal, string Before, string After, string Files, string? Problem);
