namespace Kalypto.Web.Models;

/// <summary>A draft in the list of all drafts of a design.</summary>
/// <param name="Id">Its number among all drafts.</param>
/// <param name="Number">Its number in the design.</param>
/// <param name="File">The name of its file.</param>
/// <param name="When">When it came.</param>
/// <param name="Who">Who brought it.</param>
/// <param name="IsHeld">True for the one that holds.</param>
public sealed record DraftModel(int Id, int Number, string File, DateTime When, string Who, bool IsHeld);
