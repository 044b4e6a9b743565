namespace Kalypto.Web.Models;

/// <summary>Another layer that an opened row leads to: a place of a repeat, or a state of a button.</summary>
/// <param name="Label">What it is called there.</param>
/// <param name="Link">Its row on a bench.</param>
/// <param name="Picture">Its picture.</param>
/// <param name="Here">True for the opened layer itself.</param>
public sealed record DetailPlace(string Label, string Link, string Picture, bool Here);
