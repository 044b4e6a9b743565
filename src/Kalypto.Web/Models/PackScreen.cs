namespace Kalypto.Web.Models;

/// <summary>A screen that can be built by itself.</summary>
/// <param name="Design">Its design.</param>
/// <param name="Root">The layer that stands for it.</param>
/// <param name="Name">Its name.</param>
public sealed record PackScreen(int Design, int Root, string Name);
