using Microsoft.EntityFrameworkCore.Migrations;

#nullable disable

namespace Pravik.Data.Migrations
{
    /// <inheritdoc />
    public partial class RevisionNames : Migration
    {
        /// <inheritdoc />
        protected override void Up(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.AddColumn<string>(
                name: "Name",
                table: "Revisions",
                type: "TEXT",
                nullable: false,
                defaultValue: "");
            migrationBuilder.Sql("UPDATE Revisions SET Name = coalesce(json_extract(Document, '$.name'), '');");
        }

        /// <inheritdoc />
        protected override void Down(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.DropColumn(
                name: "Name",
                table: "Revisions");
        }
    }
}
